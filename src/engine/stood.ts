import { itemDigest } from '../core/text/digest.js'
import type { Value } from '../core/area.js'

/** Where it is remembered that an item stood there as planned, and under which rule it was made. */
export const stoodAt = (ref: string): string => `${ref}#stood`

/** What is remembered there of an item that was made under a rule, or under none. */
export const under = (rule?: Value): string => itemDigest(rule ?? null)

/** What is remembered there of one that we have removed. */
export const REMOVED = ''
