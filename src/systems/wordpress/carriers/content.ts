import { z } from 'zod'
import type { IdOf, TextOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { AT_ONCE, batch } from '../batch.js'
import { refusal, type WordPressSession } from '../session.js'

type Route = 'posts' | 'pages' | 'categories' | 'tags' | 'menus' | 'navigation'

export interface ContentFields {
  route: Route
  /** Which item; a new one where left out. */
  id?: IdOf
  remove?: boolean
  body?: Readonly<Record<string, string | number | IdOf | TextOf | readonly (number | IdOf)[]>>
}

const made = z.object({ id: z.number(), link: z.string().optional() })
/** What goes stale with a list, beside the list itself. */
const alongside: Partial<Record<Route, string[]>> = {
  // a removed post takes its comments along, a removed term leaves its posts to another
  posts: ['comments'],
  pages: ['comments'],
  categories: ['posts'],
  tags: ['posts'],
  menus: ['menu-items', 'menu-locations'],
}

/** Posts, pages and terms, many in one request. Each answer shows the item as it is stored now. */
export const content: Carrier<ContentFields, WordPressSession> = {
  name: 'content',
  side: 'dashboard',
  atOnce: AT_ONCE,
  async carry(loads, session) {
    const responses = await batch(
      session,
      loads.map(({ route, id, remove, body }) => ({
        method: remove ? 'DELETE' : 'POST',
        path: `/wp/v2/${route}${id === undefined ? '' : `/${id}`}${remove ? '?force=true' : ''}`,
        ...(body ? { body } : {}),
      })),
    )
    for (const { route, remove } of loads) session.shelf.forget(route, ...(remove ? (alongside[route] ?? []) : []))
    return responses.map(({ status, body }): Carried => {
      if (status >= 400) return { refused: refusal(status, body) }
      const item = made.safeParse(body).data
      return { id: item?.id, address: item?.link }
    })
  },
}
