import type { Carrier } from '../../step.js'
import { grouped } from '../../../core/grouped.js'
import { staleNodes } from '../nodes.js'
import { carried } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** Values for one panel of settings, for the records behind them, or for the site itself (''). */
export interface SettingValues {
  place: string
  values: Readonly<Record<string, string | number | boolean | null | readonly string[] | object>>
}

/** Settings: everything that goes to one place in one request. */
export const settings: Carrier<SettingValues, PloneSession> = {
  name: 'settings',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcomes = new Map<string, ReturnType<typeof carried>>()
    // the language comes first: what the site itself is told afterwards has to name it
    const places = [...grouped(loads.map((load) => [load.place, load.values] as const))].sort(
      ([a], [b]) => Number(b.includes('language')) - Number(a.includes('language')),
    )
    for (const [place, all] of places) {
      const values = Object.assign({}, ...all) as SettingValues['values']
      const answer = await session.rest('PATCH', place, { ...values, ...(place === '' && (await session.language())) })
      outcomes.set(place, carried(answer))
      session.shelf.forget(place, ...Object.keys(values).map((name) => `@registry/${name}`))
      if (place === '') staleNodes(session)
    }
    return loads.map(({ place }) => outcomes.get(place) ?? {})
  },
}
