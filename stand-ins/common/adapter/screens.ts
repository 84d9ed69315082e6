import { formOn, has, strippedText, type Answer, type Screen } from 'unpack'

/** The dashboard's screens: each room is one, '' the first. */
export const screensOf = (rooms: readonly string[]): Screen[] =>
  ['', ...rooms].map((room) => ({
    name: room || 'start',
    place: `office/${room}`,
    has: `main[data-screen="${room || 'start'}"]`,
  }))

/** What may be wrong with a screen that came as an answer. */
export function trouble({ status, text }: Answer, screen: Screen): string | undefined {
  if (status !== 200) return `it answers HTTP ${status}`
  if (formOn(text, 'form#enter')) return 'it asks to sign in'
  if (/^\s*at .+\(.+:\d+:\d+\)/m.test(text)) return 'it shows a trace of the language the system is written in'
  if (strippedText(text).length < 100) return 'it is empty, or nearly so'
  return has(text, screen.has) ? undefined : 'what belongs on it is missing'
}
