import { Step, type AreaOnSystem, idOf } from 'unpack'
import { z } from 'zod'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'
import { uploads } from '../../../common/adapter/carriers/uploads.js'

const copySchema = z.object({ name: z.string(), type: z.string() })

export const media: AreaOnSystem<'media', StandInSession> = {
  keys: ['name'],
  async read(session) {
    const rows = await session.rows('uploads')
    return rows.map(({ id, data: { name = '', type = '' } }) => ({
      id,
      item: { name: name.replace(/\.[^.]*$/, '') },
      address: new URL(`files/${name}`, session.visitor.home).pathname,
      copy: { name, type },
      file: new URL(`files/${name}`, session.visitor.home).href,
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return [Step.of(items, { room: 'uploads', id: idOf(difference.ref), remove: true }, { proves })]
      const upload = Object.values(baseline.uploads).find(({ name }) => name === difference.wanted.name)
      if (!upload) return []
      const { file: name, type, bytes } = upload
      return [Step.of(uploads, { name, type, bytes }, { proves, gives: difference.ref })]
    }),
  again({ ref, copy, bytes = new Uint8Array() }) {
    const { name, type } = copySchema.parse(copy)
    return Step.of(uploads, { name, type, bytes }, { proves: [], gives: ref })
  },
}
