import type { Baseline } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

/** The places that the theme in use has, once it is the planned one and something is planned for them. */
export async function placesOf(
  session: StandInSession,
  room: 'menus' | 'sidebars',
  baseline: Baseline,
): Promise<{ place?: string[] }> {
  if (baseline[room] === undefined) return {}
  const themes = await session.rows('themes')
  const inUse = themes.find(({ data }) => data.active === 'true')?.data.name
  if (baseline.theme && baseline.theme.use !== inUse) return {}
  return { place: (await session.rows(room)).map(({ name }) => name) }
}
