import { anyItem, type AnyDifference, type Inventory } from '../core/areas/index.js'
import { allFound } from '../core/inventory.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Comparison, Remark } from '../core/compare.js'
import { inOrder } from '../core/order.js'
import { UnpackError } from '../core/errors.js'
import type { Check } from '../core/report/report.js'
import { bodyDigest } from '../core/text/normal-form.js'
import type { SignedIn } from '../systems/system.js'
import { NoAnswer } from '../web/failure.js'
import { accountOf, blankReport, type Fate } from './account.js'
import { fillFirstRun } from './first-run.js'
import { lookAtAll } from './look.js'
import type { RunOptions } from './options.js'
import { Record } from './record.js'
import { Run } from './run.js'
import { carryOut, idsFor } from './carry-out.js'

/** What {@link SettleOptions.choose} is shown. */
export interface Choice {
  comparison: Comparison
  /** The differences to choose from. */
  differences: readonly AnyDifference[]
  /** True in front of a first-run form: what the system ships is expected, not seen. */
  expected: boolean
  /** True for what was not shown before the first-run form was sent. */
  late: boolean
}

export interface SettleOptions extends RunOptions {
  /** Go on although the site is in use; then only what the baseline names is touched. */
  inUse?: boolean
  /** Which differences to settle; all where left out. `undefined` ends the run before its first write. */
  choose?: (choice: Choice) => readonly AnyDifference[] | undefined | Promise<readonly AnyDifference[] | undefined>
  /** Whether to confirm at the end; so where left out. */
  confirm?: boolean
}

export interface Settled {
  /** Refs that are as planned now. */
  settled: string[]
  failed: { ref: string; code: string; text: string }[]
  /** Differences that were not chosen. */
  open: AnyDifference[]
  comparison: Comparison
  checks: Check[]
  writes: number
  requests: number
  /** The record's folder; undefined if nothing was begun. */
  record?: string
}

/**
 * Brings a site to its baseline: survey, compare, choose, first-run form, sign in, settle, read back, confirm.
 * @param baseline how the site should be
 * @returns what is settled, what failed and why, and where the record lies
 * @throws UnpackError of everything that stops a run; what was begun is in the journal
 * @example await settle(baseline, { logins, choose: ({ differences }) => differences })
 */
export async function settle(baseline: Baseline, options: SettleOptions): Promise<Settled> {
  const started = new Date()
  const run = await Run.begin(baseline, options)
  const unlock = await run.state.lock().catch(async (error: unknown) => {
    await run.end()
    throw error
  })
  try {
    return await settleLocked(run, options, started)
  } finally {
    await unlock().catch(() => undefined)
    await run.end()
  }
}

async function settleLocked(run: Run, options: SettleOptions, started: Date): Promise<Settled> {
  let session = run.atFirstRun ? undefined : await run.signIn()
  let inventory = session ? await stock(run, session) : run.expected()
  let comparison = run.compare(inventory)
  const shown = comparison
  refuseInUse(run, comparison, options)
  run.phase('compare')
  let chosen = await choose(options, { comparison, differences: comparison.differences, expected: !session, late: false })
  if (!chosen) {
    await session?.signOut()
    return { settled: [], failed: [], open: comparison.differences, comparison, checks: [], writes: 0, requests: run.traffic.requests }
  }
  const record = Record.open(run.address, options.records, started)
  record.journal({ event: 'opened' })
  const fates = new Map<string, Fate>()
  if (!session) {
    session = await fillFirstRun(run, comparison, record)
    inventory = await stock(run, session)
    comparison = run.compare(inventory)
    refuseInUse(run, comparison, options)
    for (const difference of shown.differences) if (!comparison.differences.some((left) => isSame(left, difference))) fates.set(keyOf(difference), { outcome: 'settled' })
    chosen = await chooseAfterFirstRun(options, comparison, shown.differences, chosen)
  }
  const planned = chosen
  const oldPlaces = removedPlaces(inventory, planned)
  const { left, why, copies } = await settleAndReadBack(run, session, planned, inventory, record)
  for (const difference of planned) {
    const still = left.differences.find((other) => isSame(other, difference))
    const reason = still ? (why.get(difference.ref) ?? { code: 'not-taken', text: UnpackError.of('not-taken', { what: difference.ref }).message }) : undefined
    fates.set(keyOf(difference), { outcome: still ? 'failed' : 'settled', why: reason?.text, copy: copies.get(difference.ref) })
  }
  const all = merged(shown.differences, comparison.differences)
  const fateOf = (difference: AnyDifference): Fate => fates.get(keyOf(difference)) ?? { outcome: 'not chosen' }
  await session.signOut().catch(() => undefined)
  const checks = options.confirm === false ? [] : await lookAtAll(run, record, oldPlaces)
  const failed = all.filter((difference) => fateOf(difference).outcome === 'failed').map(({ ref }) => ({ ref: ref, ...(why.get(ref) ?? notTaken(ref)) }))
  const kept = left.kept
  record.journal({ event: 'closed', ok: failed.length === 0 && checks.every(({ ok }) => ok) })
  record.report({
    ...blankReport(run, 'settle', started), ...accountOf(all, fateOf),
    kept, byHand: left.byHand, never: left.never, notes: notesOf(shown, comparison), checks,
    ended: new Date().toISOString(), requests: run.traffic.requests, writes: run.traffic.writes,
  })
  return {
    settled: [...new Set(all.filter((difference) => fateOf(difference).outcome === 'settled').map(({ ref }) => ref as string))],
    failed,
    open: left.differences.filter((difference) => fateOf(difference).outcome === 'not chosen'),
    comparison: { ...left, differences: all, notes: notesOf(shown, comparison) },
    checks, writes: run.traffic.writes, requests: run.traffic.requests, record: record.folder,
  }
}

const keyOf = ({ ref, is }: AnyDifference): string => `${is === 'left over' ? 'goes' : 'comes'} ${ref}`
const isSame = (one: AnyDifference, other: AnyDifference): boolean => keyOf(one) === keyOf(other)
const notTaken = (ref: string) => ({ code: 'not-taken', text: UnpackError.of('not-taken', { what: ref }).message })
const notesOf = (...comparisons: Comparison[]): Remark[] => {
  const all = comparisons.flatMap(({ notes }) => notes)
  return all.filter(({ ref, text }, index) => all.findIndex((note) => note.ref === ref && note.text === text) === index)
}

/** What was shown and what was seen after the first-run form, as one account: an item's fields of both stand together. */
function merged(shown: readonly AnyDifference[], seen: readonly AnyDifference[]): AnyDifference[] {
  const only = shown.filter((difference) => !seen.some((other) => isSame(other, difference)))
  const both = seen.map((difference) => {
    const before = shown.find((other) => isSame(other, difference))
    if (!before || before === difference || before.is === 'left over' || difference.is !== 'different') return difference
    const fields = before.is === 'different' ? (before.fields as readonly string[]) : Object.keys(before.wanted)
    const done = fields.filter((key) => anyItem(before.wanted)[key] !== undefined && !(difference.fields as readonly string[]).includes(key))
    const was = Object.fromEntries(done.map((key) => [key, before.is === 'different' ? anyItem(before.found.item)[key] : '']))
    return { ...difference, fields: [...done, ...difference.fields], found: { ...difference.found, item: { ...difference.found.item, ...was } } } as AnyDifference
  })
  return inOrder([...only, ...both])
}

async function stock(run: Run, session: SignedIn): Promise<Inventory> {
  run.phase('read')
  return run.takeStock(session)
}

/** Somebody's own items stop a run that would change anything. */
function refuseInUse(run: Run, { others, differences }: Comparison, options: SettleOptions): void {
  if (others.length > 0 && differences.length > 0 && !options.inUse) throw UnpackError.of('in-use', { address: run.home, others })
}

const choose = async ({ choose }: SettleOptions, choice: Choice): Promise<readonly AnyDifference[] | undefined> =>
  choice.differences.length === 0 || !choose ? choice.differences : choose(choice)

/** What the first-run form left is seen now: what was not shown before is asked about on its own. */
async function chooseAfterFirstRun(options: SettleOptions, comparison: Comparison, shown: readonly AnyDifference[], chosen: readonly AnyDifference[]): Promise<readonly AnyDifference[]> {
  const wasShown = (difference: AnyDifference) => shown.some((other) => isSame(other, difference))
  const late = comparison.differences.filter((difference) => !wasShown(difference))
  const more = (await choose(options, { comparison, differences: late, expected: false, late: true })) ?? []
  return comparison.differences.filter((difference) => (wasShown(difference) ? chosen.some((other) => isSame(other, difference)) : more.includes(difference)))
}

/** Where visitors found what is about to go or to be taken over. */
const removedPlaces = (inventory: Inventory, chosen: readonly AnyDifference[]): string[] =>
  allFound(inventory).filter(({ ref, origin, hidden, address }) => origin === 'shipped' && !hidden && address !== undefined && chosen.some((difference) => difference.is !== 'missing' && difference.found.ref === ref)).map(({ address }) => address ?? '')

interface ReadBack {
  left: Comparison
  why: Map<string, { code: string; text: string }>
  copies: Map<string, string>
}

/** Carries out what was chosen and reads the site again. After a lost answer it is read first, then gone on with, once. */
async function settleAndReadBack(run: Run, session: SignedIn, chosen: readonly AnyDifference[], inventory: Inventory, record: Record): Promise<ReadBack> {
  const why: ReadBack['why'] = new Map()
  const copies: ReadBack['copies'] = new Map()
  let open = chosen
  let before = inventory
  for (let attempt = 1; ; attempt += 1) {
    let lost: NoAnswer | undefined
    if (open.length > 0) {
      run.phase('settle')
      try {
        await carryOut(run, session, open, { record, ids: idsFor(before, open), why, copies })
      } catch (error) {
        if (!(error instanceof NoAnswer)) throw error
        lost = error
        record.journal({ event: 'lost', why: error.failure.text })
        session.shelf.forget()
      }
      run.phase('read back')
    }
    const after = open.length > 0 ? await run.takeStock(session) : before
    const left = run.compare(after)
    await remember(run, after, chosen, left)
    for (const difference of chosen) record.journal({ event: 'read back', ref: difference.ref, is: difference.is, ok: !left.differences.some((other) => isSame(other, difference)) })
    if (!lost) return { left: run.compare(after), why, copies }
    if (attempt === 2) throw UnpackError.of('lost-answer', { url: lost.url, finding: lost.failure.text })
    open = left.differences.filter((difference) => chosen.some((other) => isSame(other, difference)))
    before = after
  }
}

/** The texts that stand there as we wrote them are ours to replace when the baseline changes. */
async function remember(run: Run, inventory: Inventory, chosen: readonly AnyDifference[], left: Comparison): Promise<void> {
  const ours = chosen.filter((difference) => difference.is !== 'left over' && !left.differences.some((other) => isSame(other, difference)))
  const texts = ours.flatMap(({ ref }) => {
    const found = allFound(inventory).find((item) => item.ref === ref)
    const body = (found?.item as { body?: string } | undefined)?.body
    return body === undefined || left.kept.some((kept) => kept.ref === ref) ? [] : [[ref, bodyDigest(body)]]
  })
  if (texts.length > 0) await run.state.remember(Object.fromEntries(texts) as { [ref: string]: string })
}
