import { Step, type AreaOnSystem } from 'unpack'
import { items } from '../carriers/forms.js'
import { entryAgain, readEntries } from '../entries.js'
import type { StandInSession } from '../session.js'

export const posts: AreaOnSystem<'posts', StandInSession> = {
  read: (session) => readEntries(session, 'posts', [1]),
  translate: (differences) =>
    differences.map((difference) =>
      Step.of(items, { room: 'posts', id: { idOf: difference.ref }, remove: true }, { proves: [difference] }),
    ),
  again: (copy) => entryAgain('posts', copy),
}
