/** What must never happen, and what must always: everything else may go wrong, as long as it is told. */
export interface Tally {
  runs: number
  lost: number
  twice: number
  leaked: number
  letIn: number
  wrong: number
  hung: number
  crashed: number
  unhealed: number
  /** How many cases there are, where not all of them were tried; and how many were. */
  cases: { tried: number; of: number }
  /** What went wrong, a line each, for whoever has to mend it. */
  troubles: string[]
}

export const emptyTally = (): Tally => ({
  ...{ runs: 0, lost: 0, twice: 0, leaked: 0, letIn: 0, wrong: 0, hung: 0, crashed: 0, unhealed: 0 },
  cases: { tried: 0, of: 0 },
  troubles: [],
})

export const sum = (tallies: readonly Tally[]): Tally =>
  tallies.reduce((all, one) => {
    const cases = { tried: all.cases.tried + one.cases.tried, of: all.cases.of + one.cases.of }
    const more = { ...all, cases, troubles: [...all.troubles, ...one.troubles] }
    for (const key of counts) more[key] += one[key]
    return more
  }, emptyTally())

export const counts = ['runs', 'lost', 'twice', 'leaked', 'letIn', 'wrong', 'hung', 'crashed', 'unhealed'] as const
export type Count = (typeof counts)[number]

export const words: Record<Count, string> = {
  runs: 'runs',
  lost: 'lost',
  twice: 'twice',
  leaked: 'leaked',
  letIn: 'let in',
  wrong: 'wrong but said right',
  hung: 'hung',
  crashed: 'crashed',
  unhealed: 'not healed by the next run',
}

/** Counts something that must not be, and says what it was. */
export function count(tally: Tally, key: Exclude<Count, 'runs'>, what: string): void {
  tally[key] += 1
  tally.troubles.push(`${words[key]}: ${what}`)
}

/** Everything that has to be nought. */
export const isClean = (tally: Tally): boolean => counts.every((key) => key === 'runs' || tally[key] === 0)
