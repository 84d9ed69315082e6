import { load } from 'cheerio'
import { Step, wornBy, type AreaOnSystem, idOf } from 'unpack'
import { themesIn } from '../packages.js'
import { install, states } from '../carriers/packages.js'
import type { StandInSession } from '../session.js'

/** What ships, with the versions that are known to. */
const shipped: Readonly<Record<string, readonly string[]>> = { plain: ['1.0'], plainer: ['1.0'] }
const room = 'themes'
/** What a step gives that puts the planned theme to use: others go only behind it. */
const inUse = 'own.theme/in-use'
/** What the steps give that remove themes. */
export const themesGone = 'own.theme/gone'

export const theme: AreaOnSystem<'theme', StandInSession> = {
  keys: ['use', 'active', 'version'],
  async read(session, { theme: planned, packages }) {
    const rows = await session.rows(room)
    const used = planned?.use ?? rows.find(({ data }) => data.active === 'true')?.data.name
    const parent = packages.theme?.[used ?? '']?.parent ?? rows.find(({ data }) => data.name === used)?.data.parent
    return rows.map(({ id, data: { name = '', version = '', active, parent: on } }) => ({
      id,
      item: { use: name, version, active: active === 'true', ...(on && { parent: on }) },
      marks: {
        place: name in shipped,
        untouched: true,
        known: shipped[name]?.includes(version) ?? false,
        needed: name === used || name === parent,
      },
      copy: { use: name, version },
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over')
        return [
          Step.of(
            states,
            { room, id, go: 'remove' },
            { proves, gives: themesGone, after: baseline.theme ? [inUse] : [] },
          ),
        ]
      const { use, active } = difference.wanted
      const own = baseline.packages.theme?.[use]
      const lacking = difference.is === 'missing' || difference.fields.includes('version')
      const parent = own?.parent === undefined ? [] : [`theme/${own.parent}`]
      return [
        ...(lacking
          ? [Step.of(install, { room, use, bytes: own?.bytes }, { proves, gives: difference.ref, after: parent })]
          : []),
        ...(active && (difference.is === 'missing' || difference.fields.includes('active'))
          ? [
              Step.of(
                states,
                { room, id, go: 'activate' },
                { proves, gives: inUse, after: lacking ? [difference.ref] : [] },
              ),
            ]
          : []),
      ]
    }),
  ships: ({ theme: planned }) =>
    ['plain', 'plainer'].map((use, index) => ({
      id: index + 1,
      item: { use, active: index === 0, version: '1.0' },
      marks: { place: true, untouched: true, known: true, needed: use === (planned?.use ?? 'plain') },
    })),
  looks: {
    theme: wornBy((html, use) => {
      const worn = load(html)('meta[name=theme]').attr('content')
      return worn === undefined ? undefined : worn === use
    }),
  },
  packages: themesIn,
}
