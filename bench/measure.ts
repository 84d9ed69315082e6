import type { Watch } from 'unpack'
import type { Recorded } from './replay.js'

export const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? NaN

/** Notes what a run sends, with when, and what was answered. */
export function recorder(): { recorded: Recorded[]; watch: Watch } {
  const recorded: Recorded[] = []
  const watch: Watch = (sent) => {
    const one: Recorded = { ...sent, began: performance.now(), ended: 0, answer: '', status: 0 }
    recorded.push(one)
    return (status, _headers, text) => {
      one.status = status
      one.ended = performance.now()
      one.answer = text
    }
  }
  return { recorded, watch }
}

/** Pages that were fetched twice although nothing was written in between. */
export function fetchedTwice(recorded: readonly Recorded[]): string[] {
  const fetched = new Set<string>()
  return recorded.flatMap(({ method, url, purpose }) => {
    if (method !== 'GET' || purpose === 'write') {
      fetched.clear()
      return []
    }
    // two logins that are tried are no page fetched twice
    if (purpose === 'log-in') return []
    if (fetched.has(url)) return [url]
    fetched.add(url)
    return []
  })
}
