import { z } from 'zod'

const digests = z.record(z.string(), z.string())

/** What is remembered of a site. */
export const stateSchema = z.strictObject({
  state: z.literal(1),
  address: z.string(),
  /** What tells it from another site at the same address: its accounts, and when each was made. */
  imprint: z.array(z.string()),
  /** Items that we made or took over, by area: the site's own numbers of them. */
  ours: z.record(z.string(), z.array(z.string())),
  digests,
  samples: digests,
  debts: z.array(z.string()),
  trials: z.array(z.string()),
  closed: z.boolean(),
})
/** What is remembered of a site, as it lies on the disk. */
export type StateFile = z.output<typeof stateSchema>

/** As version 0.1 kept it: it did not know whose an item is. */
export const formerSchema = z.strictObject({
  texts: z.literal(1),
  digests,
  samples: digests.default({}),
  debts: z.array(z.string()).default([]),
})

export const emptyState = (address: string): StateFile => ({
  state: 1,
  address,
  imprint: [],
  ours: {},
  digests: {},
  samples: {},
  debts: [],
  trials: [],
  closed: false,
})
