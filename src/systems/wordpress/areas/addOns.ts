import { compareVersions, validate } from 'compare-versions'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { addOnsIn } from '../packages.js'
import { addOnStates } from '../carriers/add-ons.js'
import { autoUpdates } from '../carriers/auto-updates.js'
import { installAddOn } from '../carriers/packages.js'
import { pluginsOf } from '../plugins.js'
import type { WordPressSession } from '../session.js'

/** The add-ons that ship, with the first version that is known to. They update themselves. */
const shipped: Readonly<Record<string, string>> = {
  'akismet/akismet': '5.0',
  hello: '1.7.2',
  'hello-dolly/hello': '1.7.2',
}
const shipsAs = (plugin: string, version: string): boolean =>
  validate(version) && compareVersions(version, shipped[plugin] ?? '9999') >= 0

/** What the steps give that remove add-ons. */
export const addOnsGone = 'own.addOns/gone'

export const addOns: AreaOnSystem<'addOns', WordPressSession> = {
  keys: ['use', 'version', 'active', 'updates'],
  // the screen of add-ons shows it only where the system's own catalogue can be asked
  can: { updates: 'unseen' },
  async read(session) {
    return (await pluginsOf(session)).map(({ plugin, status, version }) => ({
      id: plugin,
      item: { use: plugin.replace(/\/.*/, ''), active: status !== 'inactive', version },
      marks: {
        place: plugin in shipped,
        untouched: status === 'inactive',
        known: shipsAs(plugin, version),
      },
      copy: { use: plugin, version },
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over')
        return [
          Step.of(
            addOnStates,
            { ...difference.found.item, id: idOf(ref), go: 'remove' },
            { proves, gives: addOnsGone },
          ),
        ]
      const { use, active, updates } = difference.wanted
      const changed = (key: 'version' | 'active' | 'updates') =>
        difference.is === 'missing' || difference.fields.includes(key)
      const installs = changed('version')
      const after = installs ? [ref] : []
      const wasActive = difference.is === 'different' && difference.found.item.active
      return [
        ...(installs
          ? [Step.of(installAddOn, { use, bytes: baseline.packages.addOns?.[use]?.bytes }, { proves, gives: ref })]
          : []),
        ...(changed('active') && active !== wasActive
          ? [
              Step.of(
                addOnStates,
                { use, id: idOf(ref), go: active ? 'activate' : 'deactivate', active: wasActive },
                { proves, after },
              ),
            ]
          : []),
        ...(updates && changed('updates')
          ? [
              Step.of(
                autoUpdates,
                { type: 'plugin', automatic: updates === 'automatic', id: idOf(ref) },
                { proves, after },
              ),
            ]
          : []),
      ]
    }),
  ships: () => [
    {
      id: 'akismet/akismet',
      item: { use: 'akismet', active: false, version: '' },
      marks: { place: true, untouched: true, known: true },
    },
  ],
  packages: addOnsIn,
}
