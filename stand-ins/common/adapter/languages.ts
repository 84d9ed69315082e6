import type { Baseline } from 'unpack'
import type { StandInSession } from './session.js'

/** The languages that the settings offer, where the planned one is not set yet. */
export async function languagesOf(
  session: StandInSession,
  { site: { language: wanted } }: Baseline,
): Promise<{ language?: string[] }> {
  const { language: now } = await session.form('settings')
  if (wanted === undefined || wanted === now) return {}
  const $ = await session.screen('settings')
  const options = $('select[name=language] option').toArray()
  return { language: options.map((option) => $(option).attr('value') ?? '') }
}
