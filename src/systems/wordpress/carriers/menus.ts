import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { AddressOf, Carrier, IdOf, Resolved } from '../../step.js'
import { batch } from '../batch.js'
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

/** A menu at its place, with exactly its entries: made anew behind the old ones, which go in the same request. */
export const menus: Carrier<MenuFields, WordPressSession> = {
  name: 'menus',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const theme = await activeTheme(session)
    const refused = await (theme?.blockTheme ? putBlocks(load, session) : putPlaced(load, session))
    session.shelf.forget('menus', 'menu-items', 'menu-locations', 'navigation', 'parts')
    return [refused === undefined ? {} : { refused }]
  },
}

const made = z.looseObject({ id: z.number() })
const taken = z.looseObject({ data: z.looseObject({ term_id: z.number() }) })
const has = (places: Iterable<string>): string =>
  `the theme in use has no such place; it has: ${[...places].join(', ') || 'none'}`

async function putPlaced({ place, entries }: Load, session: WordPressSession): Promise<string | undefined> {
  const [locations, all] = await Promise.all([locationsOf(session), placedMenusOf(session)])
  const places = placesIn(locations)
  const location = places.get(place)
  if (!location) return has(places.keys())
  const there = all.find(({ id }) => id === location.menu) ?? all.find(({ name }) => name === place)
  const answer = await session.rest('POST', `/wp/v2/menus${there ? `/${there.id}` : ''}`, '', {
    ...(there ? {} : { name: place }),
    locations: [location.name],
  })
  const id = there?.id ?? made.safeParse(jsonOf(answer)).data?.id ?? taken.safeParse(jsonOf(answer)).data?.data.term_id
  if (answer.status >= 400 || id === undefined) return refusal(answer.status, jsonOf(answer))
  const old = there ? (await menuItemsOf(session)).filter((item) => item.menus === id) : []
  const responses = await batch(session, [
    ...old.map((item) => ({ method: 'DELETE' as const, path: `/wp/v2/menu-items/${item.id}?force=true` })),
    ...entries.map((entry, index) => ({
      method: 'POST' as const,
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
    })),
  ])
  const failed = responses.find(({ status }) => status >= 400)
  return failed && refusal(failed.status, failed.body)
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
