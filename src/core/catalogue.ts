/*
 * The one catalogue of what can go wrong. Each entry has a code that never changes, the exit code of the command line,
 * and what an owner is told: what happened, and what to do next. No entry may quote a file's line or a server's trace.
 */
import { wrongFile } from './catalogue/wrong-file.js'
import { refused } from './catalogue/refused.js'
import { notOpened } from './catalogue/not-opened.js'
import { stoppedPartWay } from './catalogue/stopped-part-way.js'
import { ofOne } from './catalogue/of-one-difference.js'
export type { Entry } from './catalogue/entry.js'

/** Every error of Unpack, by its code. */
export const catalogue = {
  ...wrongFile,
  ...refused,
  ...notOpened,
  ...stoppedPartWay,
  ...ofOne,
} as const
