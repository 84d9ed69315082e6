import { compareVersions } from 'compare-versions'
import { wornBy } from '../../../looks/theme.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { themesIn } from '../packages.js'
import { shipped } from '../shipped-words.js'
import { installTheme } from '../carriers/packages.js'
import { themeLinks } from '../carriers/theme-links.js'
import type { WordPressSession } from '../session.js'
import { themesOf, type Theme } from '../themes.js'

/** The yearly themes in their order. A version ships the last three that there were. */
const yearly = ['twentytwentyone', 'twentytwentytwo', 'twentytwentythree', 'twentytwentyfour', 'twentytwentyfive']

/** The themes that a version ships, the one in use first. */
function shippedWith(version: string): string[] {
  const last = version === '' || compareVersions(version, '6.7') >= 0 ? 5 : compareVersions(version, '6.4') >= 0 ? 4 : 3
  return yearly.slice(last - 3, last).toReversed()
}

/** Whether a theme names the makers of the system as its own. */
const byMakers = ({ authorAndUri }: Theme): boolean =>
  /\bhref=["']https:\/\/(?:[a-z]+\.)?wordpress\.org[/"']/.test(authorAndUri ?? '')

const parentIn = (parent: string | undefined): { parent?: string } => (parent === undefined ? {} : { parent })

export const theme: AreaOnSystem<'theme', WordPressSession> = {
  keys: ['use', 'active', 'version'],
  async read(session, { theme: planned, packages }) {
    const { themes } = await themesOf(session)
    const used = themes.find(({ id, active }) => (planned ? id === planned.use : active))
    // known by its archive until it is there, by its own screen then
    const parent = packages.theme?.[planned?.use ?? '']?.parent
    const inUse = planned?.use ?? used?.id
    const idOfName = new Map(themes.map(({ id, name }) => [name, id]))
    return themes.map((theme) => {
      const { id, name, version, active, blockTheme, parent: on } = theme
      const isByMakers = byMakers(theme)
      return {
        id,
        item: { use: id, active, version: version ?? '', ...parentIn(idOfName.get(on || '')) },
        marks: {
          place: yearly.includes(id),
          untouched: true,
          known: isByMakers,
          early: isByMakers,
          needed: id === inUse || id === parent || name === used?.parent,
        },
        copy: { use: id, version, blocks: blockTheme },
      }
    })
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over')
        return [
          Step.of(
            themeLinks,
            { use: difference.found.item.use, go: 'delete' },
            { proves, gives: themesGone, after: afterTheme(baseline) },
          ),
        ]
      const { use, active } = difference.wanted
      const own = baseline.packages.theme?.[use]
      const lacking = difference.is === 'missing' || difference.fields.includes('version')
      return [
        ...(lacking
          ? [
              Step.of(
                installTheme,
                { use, bytes: own?.bytes },
                {
                  proves,
                  gives: ref,
                  after: own?.parent === undefined ? [] : [`theme/${own.parent}`],
                },
              ),
            ]
          : []),
        ...(active && (difference.is === 'missing' || difference.fields.includes('active'))
          ? [Step.of(themeLinks, { use, go: 'activate' }, { proves, gives: themeInUse, after: lacking ? [ref] : [] })]
          : []),
      ]
    }),
  // what hosts leave out of it is seen after the form
  ships: ({ theme }, version) =>
    shippedWith(version).map((use, index) => ({
      id: use,
      item: { use, active: index === 0, version: '' },
      marks: { ...shipped, needed: theme === undefined ? index === 0 : theme.use === use },
    })),
  looks: {
    theme: wornBy((html, use) => (/\/themes\/[^/"'\s]+\//.test(html) ? html.includes(`/themes/${use}/`) : undefined)),
  },
  packages: themesIn,
}

/** What the steps give that remove themes. */
export const themesGone = 'own.theme/gone'
/** What a step gives that puts the planned theme to use: others go only after it. */
export const themeInUse = 'own.theme/in-use'
const afterTheme = ({ theme: planned }: { theme?: unknown }): string[] => (planned ? [themeInUse] : [])
