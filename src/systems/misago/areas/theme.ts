import type { ThemeLook } from '../../../core/areas/theme.js'
import { bad, good, notLookedAt, type Look } from '../../../looks/look.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { themesIn } from '../packages.js'
import { install, states } from '../carriers/themes.js'
import type { MisagoSession } from '../session.js'
import { themesOf } from '../themes.js'

/** The system's own theme, which everything builds upon. */
const OWN = 1
const OWN_NAME = 'Default Misago Theme'
const inUse = 'own.theme/in-use'

/** A page loads style sheets of a theme that was added, or none: which of several it is, visitors are not told. */
const worn: Look<ThemeLook> = async ({ use }, { place, visit }) => {
  const { text, url } = await visit(place)
  const isAdded = /href="[^"]*\/themes\/[^"]+\.css/.test(text)
  if (isAdded === (use === OWN_NAME)) return bad(`${url} looks otherwise`)
  return isAdded ? notLookedAt(`${url} wears a theme that was added; which one, visitors are not told`) : good(url)
}

export const theme: AreaOnSystem<'theme', MisagoSession> = {
  keys: ['use', 'active', 'version'],
  async read(session) {
    return (await themesOf(session)).map(({ id, name, active }) => ({
      id,
      item: { use: name, active, version: '' },
      marks: { place: id === OWN, untouched: true, known: name === OWN_NAME, needed: true },
      copy: { use: name },
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over')
        return [Step.of(states, { id, go: 'delete' }, { proves, after: baseline.theme ? [inUse] : [] })]
      const { use, active } = difference.wanted
      const lacking = difference.is === 'missing'
      const bytes = baseline.packages.theme?.[use]?.bytes
      return [
        ...(lacking ? [Step.of(install, { use, bytes }, { proves, gives: difference.ref })] : []),
        ...(active && (lacking || difference.fields.includes('active'))
          ? [Step.of(states, { id, go: 'activate' }, { proves, gives: inUse, after: lacking ? [difference.ref] : [] })]
          : []),
      ]
    }),
  ships: () => [
    {
      id: 1,
      item: { use: OWN_NAME, active: true, version: '' },
      marks: { place: true, untouched: true, known: true, needed: true },
    },
  ],
  looks: { theme: worn },
  packages: themesIn,
}
