import type { UpdatesItem } from '../../../core/areas/updates.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { settingSteps, type Settings } from '../../setting-steps.js'
import { autoUpdates } from '../carriers/auto-updates.js'
import { newVersions } from '../carriers/new-versions.js'
import { waitingOf } from '../new-versions.js'
import { options } from '../carriers/options.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'
import { themesOf } from '../themes.js'
import { addOnsGone } from './addOns.js'
import { themesGone } from './theme.js'

/** What shipped and goes is known by its version: it has to be gone before a newer one is taken. */
const goneFirst = [themesGone, addOnsGone]

const onOff = (on: boolean): string => (on ? 'enabled' : 'disabled')
const settings: Settings<keyof UpdatesItem> = {
  system: (value) => ({
    auto_update_core_major: onOff(value === 'all'),
    auto_update_core_minor: onOff(value !== 'none'),
  }),
}

export const updates: AreaOnSystem<'updates', WordPressSession> = {
  // the screen of add-ons shows it only where the system's own catalogue can be asked
  can: { addOns: 'unseen' },
  async read(session, baseline) {
    if (!baseline.updates) return [{ id: 'updates', item: {} }]
    const [{ values }, { themes }, waiting] = await Promise.all([
      optionsOf(session),
      themesOf(session),
      baseline.updates.now ? waitingOf(session) : [],
    ])
    const enabled = themes.filter(({ autoupdate }) => autoupdate.enabled).length
    const item: UpdatesItem = {
      system:
        values.auto_update_core_major === 'enabled'
          ? 'all'
          : values.auto_update_core_minor === 'disabled'
            ? 'none'
            : 'fixes',
      themes: enabled === 0 ? 'by hand' : enabled === themes.length ? 'automatic' : undefined,
      waiting: waiting.map(({ text }) => text),
    }
    return [{ id: 'updates', item }]
  },
  translate: (differences, { baseline }) => [
    ...settingSteps(differences, options, settings),
    ...differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { themes, addOns, waiting } = difference.wanted
      const proves = [difference]
      const changed = (key: keyof UpdatesItem) => difference.is === 'missing' || difference.fields.includes(key)
      // what is put there in this run takes part
      const after = [
        ...(baseline.theme ? [`theme/${baseline.theme.use}`] : []),
        ...(baseline.addOns ?? []).map(({ use }) => `addOns/${use}`),
      ]
      const but = (baseline.addOns ?? []).flatMap(({ use, updates: own }) => (own === undefined ? [] : [use]))
      return [
        ...(waiting && changed('waiting')
          ? [Step.of(newVersions, {}, { proves, after: [...after, ...goneFirst] })]
          : []),
        ...(themes && changed('themes')
          ? [
              Step.of(
                autoUpdates,
                { type: 'theme', automatic: themes === 'automatic' },
                { proves, after: [...after, themesGone] },
              ),
            ]
          : []),
        ...(addOns && changed('addOns')
          ? [Step.of(autoUpdates, { type: 'plugin', automatic: addOns === 'automatic', but }, { proves, after })]
          : []),
      ]
    }),
  ],
  ships: () => [{ id: 'updates', item: { system: 'fixes', themes: 'by hand', waiting: [] } }],
}
