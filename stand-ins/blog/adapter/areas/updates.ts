import { Step, settingSteps, type AreaOnSystem, type ItemOf } from 'unpack'
import { newVersions } from '../../../common/adapter/carriers/packages.js'
import { addOnsGone } from '../../../common/adapter/areas/addOns.js'
import { themesGone } from '../../../common/adapter/areas/theme.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { updateRules } from '../carriers/forms.js'

/** What shipped and goes is known by its version: it has to be gone before a newer one is taken. */
const goneFirst = [themesGone, addOnsGone]

const byItself = (value: string | undefined) => (value === '1' ? 'automatic' : 'by hand')

export const updates: AreaOnSystem<'updates', StandInSession> = {
  async read(session) {
    const [{ system, themes, addOns }, rows] = await Promise.all([session.form('updates'), session.rows('updates')])
    const item: ItemOf<'updates'> = {
      system: system as ItemOf<'updates'>['system'],
      themes: byItself(themes),
      addOns: byItself(addOns),
      waiting: rows.map(({ data }) => `${data.kind} ${data.name} ${data.version}`),
    }
    return [{ id: 'updates', item }]
  },
  translate: (differences) => [
    ...settingSteps(differences, updateRules, {
      system: as('system'),
      themes: (value) => ({ themes: box(value === 'automatic') }),
      addOns: (value) => ({ addOns: box(value === 'automatic') }),
    }),
    ...differences.flatMap((difference) =>
      difference.is !== 'left over' &&
      difference.wanted.waiting &&
      (difference.is === 'missing' || difference.fields.includes('waiting'))
        ? [Step.of(newVersions, {}, { proves: [difference], after: goneFirst })]
        : [],
    ),
  ],
  ships: () => [
    {
      id: 'updates',
      item: { system: 'fixes', themes: 'by hand', addOns: 'by hand', waiting: ['add-on smileys 1.1'] },
    },
  ],
}
