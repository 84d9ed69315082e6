import { itemDigest } from '../core/text/digest.js'
import type { Value } from '../core/area.js'

/** Where it is remembered that an item stood there as planned, and under which rule it was made. */
export const stoodAt = (ref: string): string => `${ref}#stood`

/** The key under which the state remembers that the owner keeps a thing that came in the first minutes. */
export const staysAt = (ref: string): string => `${ref}#stays`

/** What is remembered there of an item that was made under a rule, or under none. */
export const under = (rule?: Value): string => itemDigest(rule ?? null)

/** What is remembered there of one that we have removed. */
export const REMOVED = ''
