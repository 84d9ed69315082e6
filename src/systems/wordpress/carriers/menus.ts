import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { AddressOf, IdOf, Resolved } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { batch, type Request } from '../batch.js'
import {
  locationsOf,
  menuItemsOf,
  navigationBlock,
  navigationsOf,
  partFor,
  partsOf,
  placedMenusOf,
  placesIn,
} from '../menus.js'
import { refusal, type WordPressSession } from '../session.js'
import { activeTheme } from '../themes.js'

export interface MenuFields {
  place: string
  entries: readonly (
    | { label: string; kind: 'page' | 'category'; id: IdOf; address: AddressOf }
    | { label: string; kind: 'link'; address: string }
  )[]
}
type Load = Resolved<MenuFields>

/** Menus at their places, with exactly their entries: made anew behind the old ones, which go in the same request. */
export const menus: Carrier<MenuFields, WordPressSession> = {
  name: 'menus',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    if ((await activeTheme(session))?.blockTheme) {
      const outcomes: Carried[] = []
      for (const load of loads) outcomes.push(outcome(await putBlocks(load, session)))
      session.shelf.forget('navigation', 'parts')
      return outcomes
    }
    const refused = await putPlaced(loads, session)
    session.shelf.forget('menus', 'menu-items', 'menu-locations')
    return refused.map(outcome)
  },
}

const outcome = (refused: string | undefined): Carried => (refused === undefined ? {} : { refused })
const made = z.looseObject({ id: z.number() })
const taken = z.looseObject({ data: z.looseObject({ term_id: z.number() }) })
const has = (places: Iterable<string>): string =>
  `the theme in use has no such place; it has: ${[...places].join(', ') || 'none'}`

/** Two requests for all menus: the menus themselves, and what stands in them. */
async function putPlaced(loads: readonly Load[], session: WordPressSession): Promise<(string | undefined)[]> {
  const [locations, all] = await Promise.all([locationsOf(session), placedMenusOf(session)])
  const places = placesIn(locations)
  const menus = loads.map((load) => {
    const location = places.get(load.place)
    const there = all.find(({ id }) => id === location?.menu) ?? all.find(({ name }) => name === load.place)
    return { ...load, location, there, isPlaced: there !== undefined && there.id === location?.menu }
  })
  const toPut = menus.filter(({ location, isPlaced }) => location && !isPlaced)
  const put = await batch(
    session,
    toPut.map(({ place, location, there }) => ({
      method: 'POST' as const,
      path: `/wp/v2/menus${there ? `/${there.id}` : ''}`,
      body: { ...(there ? {} : { name: place }), locations: [location?.name ?? ''] },
    })),
  )
  const known = menus.map((menu) => {
    if (!menu.location) return { ...menu, refused: has(places.keys()) }
    const answer = put[toPut.indexOf(menu)]
    const id =
      menu.there?.id ?? made.safeParse(answer?.body).data?.id ?? taken.safeParse(answer?.body).data?.data.term_id
    return id === undefined ? { ...menu, refused: refusal(answer?.status ?? 0, answer?.body) } : { ...menu, id }
  })
  const old = menus.some(({ there }) => there) ? await menuItemsOf(session) : []
  const requests = known.flatMap((menu) => ('id' in menu ? entriesOf(menu, old) : []))
  const answers = await batch(
    session,
    requests.map(({ request }) => request),
  )
  return known.map((menu) => {
    if (!('id' in menu)) return menu.refused
    const failed = answers.find(({ status }, index) => status >= 400 && requests[index]?.menu === menu.id)
    return failed && refusal(failed.status, failed.body)
  })
}

/** The requests that leave a menu with exactly its entries. */
function entriesOf({ id, entries }: Load & { id: number }, old: readonly { id: number; menus?: number | null }[]) {
  const gone = old
    .filter((item) => item.menus === id)
    .map((item): Request => ({ method: 'DELETE', path: `/wp/v2/menu-items/${item.id}?force=true` }))
  const made = entries.map((entry, index): Request => ({
    method: 'POST',
    path: '/wp/v2/menu-items',
    body: {
      title: entry.label,
      menus: id,
      menu_order: index + 1,
      status: 'publish',
      ...(entry.kind === 'link'
        ? { type: 'custom', url: entry.address }
        : entry.kind === 'page'
          ? { type: 'post_type', object: 'page', object_id: entry.id }
          : { type: 'taxonomy', object: 'category', object_id: entry.id }),
    },
  }))
  return [...gone, ...made].map((request) => ({ menu: id, request }))
}

/** Signs that would end the comment in which a block keeps its settings. */
const safe = (settings: object): string =>
  JSON.stringify(settings)
    .replaceAll('--', '\\u002d\\u002d')
    .replaceAll('<', '\\u003c')
    .replaceAll('>', '\\u003e')
    .replaceAll('&', '\\u0026')

const escaped = (text: string): string => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

const linkBlock = (entry: Load['entries'][number]): string =>
  `<!-- wp:navigation-link ${safe({
    label: escaped(entry.label),
    ...(entry.kind === 'link'
      ? { type: 'link', url: entry.address, kind: 'custom' }
      : {
          type: entry.kind,
          id: entry.id,
          url: entry.address,
          kind: entry.kind === 'page' ? 'post-type' : 'taxonomy',
        }),
    isTopLevelLink: true,
  })} /-->`

async function putBlocks({ place, entries }: Load, session: WordPressSession): Promise<string | undefined> {
  const [parts, all] = await Promise.all([partsOf(session), navigationsOf(session)])
  const part = partFor(place, parts)
  if (!part) return has(parts.map(({ slug, area }) => (area === 'header' ? 'main' : slug)))
  const there = all.find(({ slug }) => slug === place)
  const answer = await session.rest('POST', `/wp/v2/navigation${there ? `/${there.id}` : ''}`, '', {
    title: place,
    slug: place,
    status: 'publish',
    content: entries.map(linkBlock).join('\n'),
  })
  const id = made.safeParse(jsonOf(answer)).data?.id
  if (answer.status >= 400 || id === undefined) return refusal(answer.status, jsonOf(answer))
  const { raw } = part.content
  const own = navigationBlock.exec(raw)
  const settings = JSON.parse(own?.[1] ?? '{"layout":{"type":"flex"}}') as object
  const block = `<!-- wp:navigation ${safe({ ...settings, ref: id })} /-->`
  // a part without a menu gets one below what it has
  const content = own ? raw.replace(navigationBlock, () => block) : `${raw}\n${framed(block)}\n`
  const put = await session.rest('POST', `/wp/v2/template-parts/${part.id}`, '', { content })
  return put.status >= 400 ? refusal(put.status, jsonOf(put)) : undefined
}

const framed = (block: string): string =>
  `<!-- wp:group {"layout":{"type":"constrained"}} --><div class="wp-block-group">${block}</div><!-- /wp:group -->`
