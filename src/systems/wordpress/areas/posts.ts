import type { AreaOnSystem } from '../../system.js'
import { entryAgain, readEntry, removeEntry } from '../entries.js'
import { postsOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export const posts: AreaOnSystem<'posts', WordPressSession> = {
  async read(session) {
    return Promise.all((await postsOf(session)).map((entry) => readEntry(entry, 'post', session)))
  },
  translate: (differences) => differences.map((difference) => removeEntry('posts', difference)),
  again: (copy) => entryAgain('posts', copy),
}
