import { z } from 'zod'
import type { AreaOnSystem } from '../../system.js'
import type { WordPressSession } from '../session.js'

const menuSchema = z.looseObject({ id: z.number(), slug: z.string() })

/** Menus of both sorts: those with places of their own, and those of block themes. */
export const menus: AreaOnSystem<'menus', WordPressSession> = {
  async read(session) {
    const [placed, blocks] = await Promise.all(
      ['menus', 'navigation'].map((route) => session.shelf.read(route, () => session.list(route, menuSchema))),
    )
    return [...(placed ?? []), ...(blocks ?? [])].map(({ id, slug }) => ({ id, item: { name: slug } }))
  },
}
