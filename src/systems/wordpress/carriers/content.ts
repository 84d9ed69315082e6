import { z } from 'zod'
import type { IdOf, Resolved, TextOf } from '../../later.js'
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

const made = z.object({ id: z.number(), link: z.string().optional(), slug: z.string().optional() })
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
    const read = responses.map(({ body }) => made.safeParse(body).data)
    const instead = read.map((item, index) => placeInstead(loads[index], item?.slug))
    const strays = loads.flatMap(({ route, id }, index) => {
      const item = read[index]
      const isStray = item !== undefined && id === undefined && instead[index] !== undefined
      return isStray ? [{ index, path: `/wp/v2/${route}/${item.id}?force=true` }] : []
    })
    // every run would add one more
    const gone = await batch(
      session,
      strays.map(({ path }) => ({ method: 'DELETE', path })),
    )
    const stay = new Set(strays.filter((_, which) => (gone[which]?.status ?? 0) >= 400).map(({ index }) => index))
    return responses.map(({ status, body }, index): Carried => {
      if (status >= 400) return { refused: refusal(status, body) }
      const why = instead[index]
      if (why === undefined) return { id: read[index]?.id, address: read[index]?.link }
      return { refused: stay.has(index) ? `${why}; it was made, and could not be removed again` : why }
    })
  },
}

/** Where something of another sort has a name, the system puts a number behind it, and says that all went well. */
function placeInstead({ id, body }: Partial<Resolved<ContentFields>> = {}, given = ''): string | undefined {
  const wanted = body?.slug
  if (typeof wanted !== 'string' || !given.startsWith(`${wanted}-`) || !/^\d+$/.test(given.slice(wanted.length + 1)))
    return undefined
  const stands = id === undefined ? 'it would stand' : 'it stands'
  return `something else has the address “${wanted}” there: ${stands} at “${given}”`
}
