import { notLookedAt, type Look } from './look.js'

/** What a look at many leaves out: said, and neither a tick nor a failure. */
export const beyond: Look<{ look: 'beyond'; why: string }> = ({ why }) => Promise.resolve(notLookedAt(why))
