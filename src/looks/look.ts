import type { Expectation, OwnLook } from '../core/looking.js'
import type { CheckOutcome } from '../core/report/outcome.js'
import type { Answer } from '../web/answer.js'

/** What came of one look: what was seen, as expected or instead; or why nothing could be. */
export interface Outcome {
  outcome: CheckOutcome
  seen: string
}
/**
 * What was looked at is as expected: where it was seen.
 * @example good('/feed') // { outcome: 'passed', seen: '/feed' }
 */
export const good = (seen: string): Outcome => ({ outcome: 'passed', seen })
/**
 * What was looked at is otherwise: what was seen instead.
 * @example bad('/ shows no feed') // { outcome: 'failed', seen: '/ shows no feed' }
 */
export const bad = (seen: string): Outcome => ({ outcome: 'failed', seen })
/**
 * Nothing was looked at, since there is nothing to look at or no way to: neither a tick nor a failure.
 * @example notLookedAt('the page has no heading') // { outcome: 'not looked at', seen: 'the page has no heading' }
 */
export const notLookedAt = (why: string): Outcome => ({ outcome: 'not looked at', seen: why })

/** What a look may use. */
export interface Sight {
  /** Where what is expected is to be found. */
  place: string
  /** The site's own address. */
  home: string
  /** Looks at a place of the site, as a visitor: each is fetched once. */
  visit(place: string): Promise<Answer>
}

/** How something is looked at. */
export type Look<L extends OwnLook> = (expected: Expectation<L> & L, sight: Sight) => Promise<Outcome>
