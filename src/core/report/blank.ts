import type { Report } from './report.js'

/** What a report says of a run before anything has come of it. */
export const nothingYet = {
  changed: [],
  removed: [],
  kept: [],
  extras: [],
  byHand: [],
  never: [],
  notes: [],
  checks: [],
  eyes: [],
  requests: 0,
  writes: 0,
} satisfies Partial<Report>
