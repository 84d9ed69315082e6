import { wornBy } from '../../../looks/theme.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { themes } from '../carriers/themes.js'
import { themesIn } from '../packages.js'
import { OWN, themesOf } from '../themes.js'
import type { PloneSession } from '../session.js'

export const theme: AreaOnSystem<'theme', PloneSession> = {
  keys: ['use', 'active', 'version'],
  read: async (session) =>
    (await themesOf(session)).map(({ use, active }) => ({
      id: use,
      item: { use, active, version: '' },
      marks: { place: use === OWN, untouched: true, known: use === OWN, needed: true },
      copy: { use },
    })),
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      if (difference.is === 'left over')
        return [Step.of(themes, { go: 'delete', use: difference.found.item.use }, { proves })]
      const { use, active } = difference.wanted
      if (difference.is === 'different') return active ? [Step.of(themes, { go: 'enable', use }, { proves })] : []
      const bytes = baseline.packages.theme?.[use]?.bytes
      return [
        Step.of(
          themes,
          { go: 'import', use, ...(bytes && { bytes }), enable: active },
          { proves, gives: difference.ref },
        ),
      ]
    }),
  looks: {
    theme: wornBy((html, use) => (html.includes('++theme++') ? html.includes(`++theme++${use}/`) : undefined)),
  },
  packages: themesIn,
}
