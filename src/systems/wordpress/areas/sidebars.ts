import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { sidebars as carrier } from '../carriers/sidebars.js'
import type { WordPressSession } from '../session.js'
import { partIn, shipsSo, sidebarPlaces, widgetsOf } from '../sidebars.js'

const BLOCKS = 'the theme is made of blocks and has no sidebars; choose a theme that has some, or edit its templates'

export const sidebars: AreaOnSystem<'sidebars', WordPressSession> = {
  can({ baseline, inventory }) {
    const planned = baseline.packages.theme[baseline.theme?.use ?? '']
    const [blocks] = inventory.sidebars?.filter(({ id }) => id === 'blocks') ?? []
    const willHave = planned ? !planned.blocks : !blocks
    return willHave ? {} : { place: { never: BLOCKS }, parts: { never: BLOCKS } }
  },
  async read(session, baseline) {
    const asked = baseline.sidebars !== undefined || goes(baseline.shipped)
    if (!asked) return []
    const places = await sidebarPlaces(session)
    if (places.size === 0) return [{ id: 'blocks', item: { place: 'blocks', parts: [] }, marks: nobodys }]
    const widgets = await widgetsOf(session)
    return [...places].map(([place, { id, widgets: names }]) => {
      const own = names.flatMap((name) => widgets.filter((widget) => widget.id === name))
      const ships = own.length > 0 && own.every(shipsSo)
      return {
        id,
        item: { place, parts: own.map(partIn) },
        // an empty sidebar is nobody's
        marks: own.length === 0 ? nobodys : { place: ships, untouched: ships, known: ships },
        copy: { place, widgets: own.map(({ instance }) => instance?.raw) },
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } = difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      return Step.of(carrier, { place, parts }, { proves: [difference] })
    }),
}

/** It came with the theme, and the theme can't be without it. */
const nobodys = { place: true, untouched: true, known: true, needed: true }
const goes = (shipped: string | { sidebars?: string }): boolean =>
  shipped === 'remove' || (typeof shipped === 'object' && shipped.sidebars === 'remove')
