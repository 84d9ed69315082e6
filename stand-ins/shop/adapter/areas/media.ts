import { idOf, refOf, Step, type AreaOnSystem } from 'unpack'
import { z } from 'zod'
import type { StandInSession } from '../../../common/adapter/session.js'
import { uploads } from '../../../common/adapter/carriers/uploads.js'
import { items } from '../carriers/forms.js'

const room = 'uploads'
const copySchema = z.object({ name: z.string(), type: z.string() })

/** The refs of uploads, by their numbers. */
export const picturesIn = async (session: StandInSession): Promise<ReadonlyMap<string, string>> =>
  new Map(
    (await session.rows(room)).map(({ id, data }) => [
      String(id),
      refOf('media', (data.name ?? '').replace(/\.[^.]*$/, '')),
    ]),
  )

export const media: AreaOnSystem<'media', StandInSession> = {
  keys: ['name'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id, data: { name = '', type = '', made } }) => {
      const place = new URL(`files/${name}`, session.visitor.home)
      return {
        id,
        item: { name: name.replace(/\.[^.]*$/, '') },
        ...{ address: place.pathname, stamp: made, copy: { name, type }, file: place.href },
      }
    })
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return [Step.of(items, { room, id: idOf(difference.ref), remove: true }, { proves })]
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
