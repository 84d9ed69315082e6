import { idOf, Step, type AreaOnSystem } from 'unpack'
import { z } from 'zod'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items, uploads } from '../carriers/forms.js'
import { asLoad, namedIn, namesOf } from '../who.js'

const copySchema = z.object({ name: z.string(), type: z.string(), for: z.array(z.string()) })
const closedTo = (who: readonly string[] = ['everyone']) => asLoad(who.includes('everyone') ? [] : who)

export const media: AreaOnSystem<'media', StandInSession> = {
  keys: ['name', 'for'],
  async read(session) {
    const [rows, names] = await Promise.all([session.rows('uploads'), namesOf(session)])
    return rows.map(({ id, data: { name = '', type = '', read, made } }) => {
      const who = read === '' ? ['everyone'] : namedIn(read, names)
      const place = new URL(`files/${name}`, session.visitor.home)
      return {
        id,
        item: { name: name.replace(/\.[^.]*$/, ''), for: who },
        ...{ address: place.pathname, stamp: made, copy: { name, type, for: who }, file: place.href },
      }
    })
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return [Step.of(items, { room: 'uploads', id, remove: true }, { proves })]
      const { name, for: who } = difference.wanted
      const upload = Object.values(baseline.uploads).find((one) => one.name === name)
      if (!upload) return []
      const { file, type, bytes } = upload
      const which = difference.is === 'different' ? { id } : {}
      const load = { ...which, name: file, type, bytes, read: closedTo(who) }
      return [Step.of(uploads, load, { proves, gives: difference.ref })]
    }),
  again({ ref, copy, bytes = new Uint8Array() }) {
    const { name, type, for: who } = copySchema.parse(copy)
    return Step.of(uploads, { name, type, bytes, read: closedTo(who) }, { proves: [], gives: ref })
  },
}
