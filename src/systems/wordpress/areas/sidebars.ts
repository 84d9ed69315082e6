import { z } from 'zod'
import type { SidebarPart } from '../../../core/areas/sidebars.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { sidebars as carrier } from '../carriers/sidebars.js'
import type { WordPressSession } from '../session.js'
import { plannedTheme } from '../themes.js'
import { partIn, partsHere, shipsSo, sidebarPlaces, widgetsOf } from '../sidebars.js'

const BLOCKS = 'the theme is made of blocks and has no sidebars; choose a theme that has some, or edit its templates'

export const sidebars: AreaOnSystem<'sidebars', WordPressSession> = {
  keys: ['place', 'parts'],
  can({ baseline, inventory }) {
    const wanted = baseline.theme?.use
    // known by its archive, or because it is there; one of the catalogue's may have some
    const there = inventory.theme?.find(({ item }) => (wanted === undefined ? item.active : item.use === wanted))
    const theme = baseline.packages.theme?.[wanted ?? ''] ?? (there?.copy as { blocks?: boolean } | undefined)
    return theme?.blocks ? { place: { never: BLOCKS }, parts: { never: BLOCKS } } : {}
  },
  async read(session, { sidebars: planned, shipped }) {
    if (planned === undefined && !goes(shipped)) return []
    const places = [...(await sidebarPlaces(session))]
    const own = places.filter(([place, { widgets }]) => widgets.length > 0 || place in (planned ?? {}))
    if (own.length === 0) return []
    const widgets = await widgetsOf(session)
    return own.map(([place, { id, widgets: names }]) => {
      const inside = names.flatMap((name) => widgets.filter((widget) => widget.id === name))
      const ships = inside.every(shipsSo)
      return {
        id,
        item: { place, parts: inside.map(partIn) },
        marks: { place: ships, untouched: ships, known: ships },
        copy: { place, widgets: inside.map(({ id_base, instance }) => ({ id_base, instance })) },
      }
    })
  },
  async choices(session, baseline): Promise<{ place?: string[]; parts?: string[] }> {
    const theme = baseline.sidebars && (await plannedTheme(session, baseline))
    if (!theme || theme.blockTheme) return {}
    return { place: [...(await sidebarPlaces(session)).keys()], parts: partsHere }
  },
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } =
        difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      return Step.of(carrier, { place, parts: namedParts(parts) }, { proves: [difference] })
    }),
  again({ ref, item, copy }) {
    const { widgets } = copySchema.parse(copy)
    return Step.of(carrier, { place: item.place, parts: [], widgets }, { proves: [], gives: ref })
  },
}

/** Others are not among what there is to choose from, and never come here. */
const namedParts = (parts: readonly SidebarPart[]): string[] => parts.filter((part) => typeof part === 'string')

const copySchema = z.object({
  widgets: z.array(z.object({ id_base: z.string(), instance: z.looseObject({}).nullish() })),
})

const goes = (shipped: string | { sidebars?: string }): boolean =>
  shipped === 'remove' || (typeof shipped === 'object' && shipped.sidebars === 'remove')
