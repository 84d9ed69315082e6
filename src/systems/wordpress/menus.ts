import { z } from 'zod'
import type { MenuEntry } from '../../core/areas/menus.js'
import { refOf } from '../../core/ref.js'
import { categoriesOf, pageRefsOf, pagesOf, slugSchema } from './items.js'
import type { WordPressSession } from './session.js'
import { titleIn } from './titles.js'
import { activeTheme } from './themes.js'

/* Menus of both sorts: those that a theme has places for, and those of themes that are made of blocks. */

export const menuSchema = z.looseObject({
  id: z.number(),
  slug: slugSchema,
  name: z.string(),
  description: z.string().default(''),
  locations: z.array(z.string()).default([]),
  auto_add: z.boolean().default(false),
})
export const itemSchema = z.looseObject({
  id: z.number(),
  parent: z.number().default(0),
  title: z.union([z.string(), z.looseObject({ raw: z.string().optional(), rendered: z.string() })]),
  type: z.string(),
  object: z.string(),
  object_id: z.number(),
  url: z.string(),
  menus: z.number().nullish(),
  menu_order: z.number(),
})
const locationSchema = z.looseObject({ name: z.string(), description: z.string(), menu: z.number() })
const navigationSchema = z.looseObject({
  id: z.number(),
  slug: slugSchema,
  status: z.string().default('publish'),
  title: z.looseObject({ raw: z.string() }).optional(),
  content: z.looseObject({ raw: z.string() }),
})
const partSchema = z.looseObject({
  id: z.string(),
  slug: slugSchema,
  area: z.string(),
  content: z.looseObject({ raw: z.string() }),
})
export type Part = z.output<typeof partSchema>

export const placedMenusOf = (session: WordPressSession) =>
  session.shelf.read('menus', () => session.list('menus', menuSchema))
export const menuItemsOf = (session: WordPressSession) =>
  session.shelf.read('menu-items', () => session.list('menu-items', itemSchema))
export const navigationsOf = (session: WordPressSession) =>
  session.shelf.read('navigation', () => session.list('navigation', navigationSchema))
export const locationsOf = (session: WordPressSession) =>
  session.shelf.read('menu-locations', async () =>
    Object.values(
      session.read(
        await session.rest('GET', '/wp/v2/menu-locations', 'context=edit'),
        z.union([z.record(z.string(), locationSchema), z.array(locationSchema)]),
        'the list of menus’ places',
      ),
    ),
  )
export const partsOf = (session: WordPressSession) =>
  session.shelf.read('parts', async () => {
    const theme = await activeTheme(session)
    const parts = session.read(
      await session.rest('GET', '/wp/v2/template-parts', 'context=edit'),
      z.array(partSchema.extend({ theme: z.string() })),
      'the list of the theme’s parts',
    )
    return parts.filter((part) => part.theme === theme?.id)
  })

const kinds: readonly [place: string, words: RegExp][] = [
  ['main', /primary|main|header|top/i],
  ['footer', /foot|bottom|secondary/i],
]

/** The theme's places by the baseline's names for them: `main` and `footer` whatever the theme calls them, others as it does. */
export function placesIn<T extends { name: string; description: string }>(locations: readonly T[]): Map<string, T> {
  const places = new Map<string, T>()
  for (const [place, words] of kinds) {
    const free = locations.filter((one) => ![...places.values()].includes(one))
    const own =
      free.find(({ name }) => name === place) ?? free.find((one) => words.test(`${one.name} ${one.description}`))
    if (own) places.set(place, own)
  }
  const [first] = locations
  if (!places.has('main') && first && ![...places.values()].includes(first)) places.set('main', first)
  for (const one of locations) if (![...places.values()].includes(one)) places.set(one.name, one)
  return places
}

/** Refs of pages and categories by their ids, and where they are. */
async function targets(session: WordPressSession) {
  const [pages, refs, categories] = await Promise.all([pagesOf(session), pageRefsOf(session), categoriesOf(session)])
  return {
    page: new Map(pages.map(({ id, link, title }) => [id, { ref: refs.get(id) ?? '', link, title }])),
    category: new Map(categories.map(({ id, slug, link }) => [id, { ref: refOf('categories', slug), link }])),
  }
}

/** The entries of a menu in a theme's place. */
export async function placedEntries(session: WordPressSession, menu: number): Promise<MenuEntry[]> {
  const [items, known] = await Promise.all([menuItemsOf(session), targets(session)])
  return items
    .filter(({ menus }) => menus === menu)
    .sort((a, b) => a.menu_order - b.menu_order)
    .map(({ title, type, object, object_id, url }) => {
      const label = typeof title === 'string' ? title : title.raw || title.rendered
      const target =
        type === 'post_type' && object === 'page'
          ? known.page.get(object_id)
          : type === 'taxonomy' && object === 'category'
            ? known.category.get(object_id)
            : undefined
      // an entry without a label of its own has the title of its page; newer versions give that as it is shown, with curly quotes
      const own = target && 'title' in target && target.title.rendered === label ? target.title.raw : label
      return target ? { ref: target.ref, label: titleIn(own) } : { link: url, label: titleIn(own) }
    })
}

const linkSchema = z.looseObject({
  label: z.string(),
  url: z.string(),
  id: z.number().optional(),
  type: z.string().optional(),
})

/** The entries of a menu made of blocks. */
export async function blockEntries(session: WordPressSession, content: string): Promise<MenuEntry[]> {
  const known = await targets(session)
  return [...content.matchAll(/<!-- wp:navigation-(?:link|submenu) (\{.*?\}) \/?-->/g)].flatMap(
    ([, settings = '{}']) => {
      const link = linkSchema.safeParse(JSON.parse(settings)).data
      if (!link) return []
      const target = (link.type === 'category' ? known.category : known.page).get(link.id ?? 0)
      // one that names an item but leads elsewhere is not as planned
      return [
        target && target.link === link.url
          ? { ref: target.ref, label: titleIn(link.label) }
          : { link: link.url, label: titleIn(link.label) },
      ]
    },
  )
}
