import type { Answer } from './answer.js'

/**
 * How long a server asks to be left alone, in seconds: `Retry-After` (RFC 9110) or `RateLimit-Reset`, as a number or a date.
 */
export function secondsToWait(headers: Answer['headers']): number | undefined {
  const said = [headers['retry-after'], headers['ratelimit-reset'], headers['x-ratelimit-reset']]
  // some say a whole window in one of them, and what is left of it in another
  const all = said.flatMap((text) => (text === undefined ? [] : secondsIn(text)))
  return all.length === 0 ? undefined : Math.min(...all)
}

function secondsIn(text: string): number[] {
  const number = Number(text)
  const now = Date.now() / 1000
  // some count from 1970
  const seconds = Number.isFinite(number) ? (number > 1e9 ? number - now : number) : Date.parse(text) / 1000 - now
  return Number.isFinite(seconds) ? [Math.max(0, seconds)] : []
}
