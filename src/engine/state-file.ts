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
  /** What was left under each ref, key by key: short digests. */
  left: z.record(z.string(), digests).default({}),
  /** What stood under a ref once, and under which rule it was made. */
  digests,
  samples: digests,
  debts: z.array(z.string()),
  trials: z.array(z.string()),
  closed: z.boolean(),
})
/** What is remembered of a site, as it lies on the disk. */
export type StateFile = z.output<typeof stateSchema>

export const emptyState = (address: string): StateFile => ({
  state: 1,
  address,
  imprint: [],
  ours: {},
  left: {},
  digests: {},
  samples: {},
  debts: [],
  trials: [],
  closed: false,
})
