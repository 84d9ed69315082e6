import type { AddressOf, IdOf, Resolved } from '../later.js'
import type { Request } from './batch.js'
import { placesIn } from './menus.js'
import { titleAsHtml } from './titles.js'

/* Menus in a theme's places, as requests: decided here without asking anything; the carrier sends them. */

/** A menu as its carrier is given it. */
export interface MenuFields {
  place: string
  entries: readonly (
    | { label: string; kind: 'page' | 'category'; id: IdOf; address: AddressOf }
    | { label: string; kind: 'link'; address: string }
  )[]
}
export type MenuLoad = Resolved<MenuFields>

/** A theme's place for menus, with the number of the one that stands in it. */
interface Place {
  name: string
  description: string
  menu: number
}

/** What becomes of one menu: the theme has no such place, or it is there, or it is to be put there. */
export type MenuPlan =
  | { lacks: string }
  | { menu: number }
  /** Whatever stands there under its name already is put there, else it is made. */
  | { put: Request; menu?: number }

/** What is said of a place that there isn't. */
export const lacksPlace = (places: Iterable<string>): string =>
  `the theme in use has no such place; it has: ${[...places].join(', ') || 'none'}`

/** One plan a menu, in their order. */
export function menuPlans(
  loads: readonly Pick<MenuLoad, 'place'>[],
  locations: readonly Place[],
  menus: readonly { id: number; name: string }[],
): MenuPlan[] {
  const places = placesIn(locations)
  return loads.map(({ place }): MenuPlan => {
    const location = places.get(place)
    if (!location) return { lacks: lacksPlace(places.keys()) }
    if (menus.some(({ id }) => id === location.menu)) return { menu: location.menu }
    const menu = menus.find(({ name }) => name === place)?.id
    const body = { ...(menu === undefined && { name: place }), locations: [location.name] }
    return { put: { method: 'POST', path: `/wp/v2/menus${menu === undefined ? '' : `/${menu}`}`, body }, menu }
  })
}

/** The requests that leave a menu with exactly its entries: the old ones go, and all are made anew. */
export function entryRequests(
  menu: number,
  entries: MenuLoad['entries'],
  old: readonly { id: number; menus?: number | null }[],
): Request[] {
  const gone = old
    .filter(({ menus }) => menus === menu)
    .map(({ id }): Request => ({ method: 'DELETE', path: `/wp/v2/menu-items/${id}?force=true` }))
  const made = entries.map((entry, index): Request => ({
    method: 'POST',
    path: '/wp/v2/menu-items',
    body: { title: titleAsHtml(entry.label), menus: menu, menu_order: index + 1, status: 'publish', ...target(entry) },
  }))
  return [...gone, ...made]
}

const target = (entry: MenuLoad['entries'][number]): object =>
  entry.kind === 'link'
    ? { type: 'custom', url: entry.address }
    : entry.kind === 'page'
      ? { type: 'post_type', object: 'page', object_id: entry.id }
      : { type: 'taxonomy', object: 'category', object_id: entry.id }
