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

/**
 * What a version that remembered digests of texts and a few keys alone has left, as it is remembered now. Of a text's every
 * character it knew nothing: such a one is copied before it is written over.
 */
export function withLeft(state: StateFile): StateFile {
  if (Object.keys(state.left).length > 0) return state
  const left: Record<string, Record<string, string>> = {}
  for (const [name, digest] of Object.entries(state.digests)) {
    const [ref = '', key = 'body'] = name.split('#')
    if (key !== 'stood') left[ref] = { ...left[ref], [key]: digest.slice(0, 16) }
  }
  return { ...state, left }
}
