import type { Answer } from './answer.js'

/** How long a server is left alone that asks for it, in seconds at the most, and how often one that says “too many requests”. */
const PATIENCE = { most: 70, times: 3 }
/** Seconds after which what the server failed at is read once more: many such failures are a moment's trouble. */
const MOMENT = 1

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
  if (tooMany ? refused > PATIENCE.times : status < 500 || !reads || answered > 1) return undefined
  const said = secondsToWait(headers)
  const seconds = said ?? (tooMany ? 2 ** refused : MOMENT)
  return seconds <= PATIENCE.most ? { seconds, wished: tooMany || said !== undefined } : undefined
}

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
