import { z } from 'zod'
import type { MenuItem } from '../../../core/areas/menus.js'
import type { ReadItem } from '../../../core/area.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf, addressOf } from '../../later.js'
import { Step } from '../../step.js'
import { content } from '../carriers/content.js'
import { menus as carrier } from '../carriers/menus.js'
import { isPageList, namedIn, partFor, placesOf } from '../block-menus.js'
import {
  blockEntries,
  locationsOf,
  navigationsOf,
  partsOf,
  placedEntries,
  placedMenusOf,
  placesIn,
  itemSchema,
  menuItemsOf,
  menuSchema,
} from '../menus.js'
import type { WordPressSession } from '../session.js'
import { activeTheme, plannedTheme } from '../themes.js'
import { menuAgain } from '../carriers/menu-again.js'

/** Menus in the places of a classic theme. One that stands in no place shows nothing. */
async function placed(session: WordPressSession): Promise<ReadItem<MenuItem>[]> {
  const menus = await placedMenusOf(session)
  if (menus.length === 0) return []
  const places = [...placesIn(await locationsOf(session))]
  return Promise.all(
    menus.map(async (menu) => {
      const { id, slug } = menu
      const place = places.find(([, location]) => location.menu === id)?.[0]
      const entries = place === undefined ? [] : await placedEntries(session, id)
      const items = (await menuItemsOf(session)).filter(({ menus: own }) => own === id)
      return { id, item: { place: place ?? slug, entries }, copy: { menu, items } }
    }),
  )
}

/** Menus made of blocks. One that no part of the theme names shows nothing that can be relied upon. */
async function blocks(session: WordPressSession): Promise<ReadItem<MenuItem>[]> {
  const all = await navigationsOf(session)
  if (all.length === 0) return []
  const parts = await partsOf(session)
  return Promise.all(
    all.map(async ({ id, slug, status, title, content: { raw } }) => {
      const place = parts.find((part) => namedIn(part) === id)
      const named = ['main', 'footer', place?.slug ?? ''].find((one) => place && partFor(one, parts) === place)
      const entries = named === undefined ? [] : await blockEntries(session, raw)
      // the system makes this menu by itself when it shows a page and there is none
      const early = isPageList(raw)
      const marks = { place: false, untouched: early, known: false, early }
      return {
        id,
        item: { place: named ?? slug, entries },
        marks,
        copy: { slug, raw, status, title: title?.raw ?? slug },
      }
    }),
  )
}

/** Menus of both sorts; those of the other sort than the theme in use are read, so that somebody's own are seen. */
export const menus: AreaOnSystem<'menus', WordPressSession> = {
  keys: ['place', 'entries'],
  async read(session) {
    const theme = await activeTheme(session)
    const [inPlaces, inBlocks] = await Promise.all([placed(session), blocks(session)])
    const [own, others] = theme?.blockTheme ? [inBlocks, inPlaces] : [inPlaces, inBlocks]
    const known = new Set(own.map(({ item }) => item.place))
    return [...own, ...others.filter(({ item }) => !known.has(item.place))]
  },
  async choices(session, baseline): Promise<{ place?: string[] }> {
    const theme = baseline.menus && (await plannedTheme(session, baseline))
    if (!theme) return {}
    const place = theme.blockTheme ? placesOf(await partsOf(session)) : [...placesIn(await locationsOf(session)).keys()]
    return { place }
  },
  translate: (differences, { inventory }) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over') {
        const blocksInUse = inventory.menus?.find(({ ref }) => ref === difference.ref)
        const route = (blocksInUse?.copy as { raw?: string } | undefined)?.raw === undefined ? 'menus' : 'navigation'
        return Step.of(content, { route, id: idOf(difference.ref), remove: true }, { proves })
      }
      const { place, entries } = difference.wanted
      return Step.of(
        carrier,
        {
          place,
          entries: entries.map((entry) =>
            'link' in entry
              ? { label: entry.label, kind: 'link' as const, address: entry.link }
              : {
                  label: entry.label,
                  kind: entry.ref.startsWith('pages/') ? ('page' as const) : ('category' as const),
                  id: idOf(entry.ref),
                  address: addressOf(entry.ref),
                },
          ),
        },
        { proves },
      )
    }),
  /** With everything that its screen holds; what an entry leads to goes by its ref. */
  again({ item, copy }) {
    const blocksMade = blocksSchema.safeParse(copy).data
    if (blocksMade) {
      const { slug, raw, status, title } = blocksMade
      return Step.of(content, { route: 'navigation', body: { slug, title, status, content: raw } }, { proves: [] })
    }
    const { menu, items } = placedSchema.parse(copy)
    const sorted = items.toSorted((a, b) => a.menu_order - b.menu_order)
    return Step.of(
      menuAgain,
      {
        menu: { name: menu.name, description: menu.description, locations: menu.locations, auto_add: menu.auto_add },
        items: sorted.map((one, index) => {
          const entry = item.entries[index]
          return { ...one, leadsTo: entry && 'ref' in entry ? idOf(entry.ref) : one.object_id }
        }),
      },
      { proves: [] },
    )
  },
}

const blocksSchema = z.object({ slug: z.string(), raw: z.string(), status: z.string(), title: z.string() })
const placedSchema = z.object({ menu: menuSchema, items: z.array(itemSchema) })
