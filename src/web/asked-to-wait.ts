import type { Answer } from './answer.js'

/** How long a server that says “too many requests” is waited for, in seconds at the most, and how often. */
const REFUSED = { most: 70, times: 3 }
/** What a server failed at is read once more, after so many seconds: it may be a moment's trouble. One that says longer is down. */
const FAILED = { most: 5, times: 1, pause: 1 }

/** What of one request was answered so far. */
interface Asked {
  /** Whether it only reads: nothing else is sent again behind a failure, since the site may have done it. */
  reads: boolean
  /** How often it was refused as one too many (RFC 6585). */
  refused: number
  /** How often it was answered otherwise. */
  answered: number
}

/**
 * How long to wait until the same request is sent again: one that was refused as one too many was not taken; a reading that
 * the server failed at (5xx) is tried once more.
 * @returns seconds, and whether the server wishes it so; nothing where the answer stands
 */
export function pauseBehind(
  { status, headers }: Answer,
  { reads, refused, answered }: Asked,
): { seconds: number; wished: boolean } | undefined {
  const tooMany = status === 429
  if (tooMany ? refused > REFUSED.times : status < 500 || !reads || answered > FAILED.times) return undefined
  const said = tooMany ? secondsToWait(headers) : soonest(headers['retry-after'])
  const seconds = said ?? (tooMany ? 2 ** refused : FAILED.pause)
  const { most } = tooMany ? REFUSED : FAILED
  return seconds <= most ? { seconds, wished: tooMany || said !== undefined } : undefined
}

/**
 * When more requests are taken: `Retry-After` (RFC 9110) or `RateLimit-Reset`. The latter comes with every answer of some
 * servers, and says nothing of a failure.
 */
export const secondsToWait = (headers: Answer['headers']): number | undefined =>
  // some say a whole window in one of them, and what is left of it in another
  soonest(headers['retry-after'], headers['ratelimit-reset'], headers['x-ratelimit-reset'])

function soonest(...said: readonly (string | undefined)[]): number | undefined {
  const all = said.flatMap((text) => (text === undefined ? [] : secondsIn(text)))
  return all.length === 0 ? undefined : Math.min(...all)
}

/** Seconds from now, of a number of them or a date. */
function secondsIn(text: string): number[] {
  const number = Number(text)
  const now = Date.now() / 1000
  // some count from 1970
  const seconds = Number.isFinite(number) ? (number > 1e9 ? number - now : number) : Date.parse(text) / 1000 - now
  return Number.isFinite(seconds) ? [Math.max(0, seconds)] : []
}
