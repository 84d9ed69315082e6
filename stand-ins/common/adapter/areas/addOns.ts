import { Step, type AreaOnSystem, idOf } from 'unpack'
import { addOnsIn } from '../packages.js'
import { install, states } from '../carriers/packages.js'
import type { StandInSession } from '../session.js'

const room = 'add-ons'
/** What the steps give that remove add-ons. */
export const addOnsGone = 'own.addOns/gone'

/** Add-ons of a stand-in that ships one. @param shipped its name @param known the version that it ships with */
export const addOnsWith = (shipped: string, known: string): AreaOnSystem<'addOns', StandInSession> => ({
  keys: ['use', 'version', 'active', 'updates'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id, data }) => ({
      id,
      item: {
        use: data.name ?? '',
        active: data.active === 'true',
        version: data.version,
        updates: data.automatic === 'true' ? 'automatic' : 'by hand',
      },
      marks: {
        place: data.name === shipped,
        untouched: data.active !== 'true',
        known: data.version === known,
      },
      copy: { use: data.name, version: data.version },
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') {
        const off = difference.found.item.active ? [Step.of(states, { room, id, go: 'deactivate' }, { proves })] : []
        return [...off, Step.of(states, { room, id, go: 'remove' }, { proves, gives: addOnsGone })]
      }
      const { use, active, updates } = difference.wanted
      const changed = (key: 'version' | 'active' | 'updates') =>
        difference.is === 'missing' || difference.fields.includes(key)
      const wasActive = difference.is === 'different' && difference.found.item.active
      const bytes = baseline.packages.addOns?.[use]?.bytes
      const installs = changed('version')
      const after = installs ? [difference.ref] : []
      return [
        ...(installs ? [Step.of(install, { room, use, bytes }, { proves, gives: difference.ref })] : []),
        ...(active !== wasActive && changed('active')
          ? [Step.of(states, { room, id, go: active ? 'activate' : 'deactivate' }, { proves, after })]
          : []),
        ...(updates && changed('updates')
          ? [Step.of(states, { room, id, go: 'update', automatic: updates === 'automatic' }, { proves, after })]
          : []),
      ]
    }),
  ships: () => [
    {
      id: 1,
      item: { use: shipped, active: false, version: known, updates: 'by hand' },
      marks: { place: true, untouched: true, known: true },
    },
  ],
  packages: addOnsIn,
})
