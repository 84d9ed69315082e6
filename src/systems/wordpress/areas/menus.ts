import type { MenuItem } from '../../../core/areas/menus.js'
import type { ReadItem } from '../../../core/area.js'
import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { content } from '../carriers/content.js'
import { menus as carrier } from '../carriers/menus.js'
import {
  blockEntries,
  locationsOf,
  namedIn,
  navigationsOf,
  partFor,
  partsOf,
  placedEntries,
  placedMenusOf,
  placesIn,
} from '../menus.js'
import type { WordPressSession } from '../session.js'
import { activeTheme } from '../themes.js'

/** Menus in the places of a classic theme. One that stands in no place shows nothing. */
async function placed(session: WordPressSession): Promise<ReadItem<MenuItem>[]> {
  const menus = await placedMenusOf(session)
  if (menus.length === 0) return []
  const places = [...placesIn(await locationsOf(session))]
  return Promise.all(
    menus.map(async ({ id, slug }) => {
      const place = places.find(([, location]) => location.menu === id)?.[0]
      const entries = place === undefined ? [] : await placedEntries(session, id)
      return { id, item: { place: place ?? slug, entries }, copy: { slug, entries } }
    }),
  )
}

/** Menus made of blocks. One that no part of the theme names shows nothing that can be relied upon. */
async function blocks(session: WordPressSession): Promise<ReadItem<MenuItem>[]> {
  const all = await navigationsOf(session)
  if (all.length === 0) return []
  const parts = await partsOf(session)
  return Promise.all(
    all.map(async ({ id, slug, content: { raw } }) => {
      const place = parts.find((part) => namedIn(part) === id)
      const named = ['main', 'footer', place?.slug ?? ''].find((one) => place && partFor(one, parts) === place)
      const entries = named === undefined ? [] : await blockEntries(session, raw)
      return { id, item: { place: named ?? slug, entries }, copy: { slug, raw } }
    }),
  )
}

/** Menus of both sorts; those of the other sort than the theme in use are read, so that somebody's own are seen. */
export const menus: AreaOnSystem<'menus', WordPressSession> = {
  async read(session) {
    const theme = await activeTheme(session)
    const [inPlaces, inBlocks] = await Promise.all([placed(session), blocks(session)])
    const [own, others] = theme?.blockTheme ? [inBlocks, inPlaces] : [inPlaces, inBlocks]
    const known = new Set(own.map(({ item }) => item.place))
    return [...own, ...others.filter(({ item }) => !known.has(item.place))]
  },
  translate: (differences, { inventory }) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over') {
        const blocksInUse = inventory.menus?.find(({ ref }) => ref === difference.ref)
        const route = (blocksInUse?.copy as { raw?: string } | undefined)?.raw === undefined ? 'menus' : 'navigation'
        return Step.of(content, { route, id: { idOf: difference.ref }, remove: true }, { proves })
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
                  id: { idOf: entry.ref },
                  address: { addressOf: entry.ref },
                },
          ),
        },
        { proves },
      )
    }),
}
