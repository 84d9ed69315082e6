import { Step, type AreaOnSystem } from 'unpack'
import { items } from '../carriers/forms.js'
import { entryAgain, readEntries } from '../entries.js'
import type { StandInSession } from '../session.js'

export const pages: AreaOnSystem<'pages', StandInSession> = {
  read: (session) => readEntries(session, 'pages', [2, 3]),
  translate(differences) {
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(items, { room: 'pages', id: { idOf: difference.ref }, remove: true }, { proves })
      const { title, slug, body, state } = difference.wanted
      const writesBody = body !== undefined && (difference.is === 'missing' || difference.fields.includes('body'))
      const fields = { title, slug, state: state ?? 'published', ...(writesBody && { body }) }
      return Step.of(
        items,
        { room: 'pages', ...(difference.is === 'different' && { id: { idOf: difference.found.ref } }), fields },
        { proves, gives: difference.ref },
      )
    })
  },
  again: (copy) => entryAgain('pages', copy),
}
