import type { AreaOnSystem } from '../../system.js'
import { termSchema } from '../items.js'
import type { WordPressSession } from '../session.js'

export const tags: AreaOnSystem<'tags', WordPressSession> = {
  async read(session) {
    const terms = await session.shelf.read('tags', () => session.list('tags', termSchema))
    return terms.map(({ id, name, slug }) => ({ id, item: { name, slug } }))
  },
}
