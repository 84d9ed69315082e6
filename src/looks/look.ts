import type { Expectation, OwnLook } from '../core/looking.js'
import type { Answer } from '../web/answer.js'

/** What came of one look: what was seen, as expected or instead. */
export interface Outcome {
  ok: boolean
  seen: string
}
export const good = (seen: string): Outcome => ({ ok: true, seen })
export const bad = (seen: string): Outcome => ({ ok: false, seen })

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
