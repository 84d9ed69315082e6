import type { AnyDifference, Inventory } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import { foundAt } from '../../core/inventory.js'
import { bodyDigest } from '../../core/text/normal-form.js'
import type { SignedIn } from '../../systems/system.js'
import { NoAnswer } from '../../web/failure.js'
import { carryOut, idsFor } from '../carry-out.js'
import type { Record } from '../record.js'
import type { Run } from '../run.js'
import { sameIn } from './same.js'

export interface ReadBack {
  /** The comparison after everything that was chosen was carried out. */
  left: Comparison
  /** Why a ref could not be settled. */
  why: Map<string, { code: string; text: string }>
  /** Copies of what was removed or taken over, by ref. */
  copies: Map<string, string>
}

/** Carries out what was chosen, and reads the site again. After a lost answer it is read first, then gone on with, once. */
export async function settleAndReadBack(
  run: Run,
  session: SignedIn,
  chosen: readonly AnyDifference[],
  inventory: Inventory,
  record: Record,
): Promise<ReadBack> {
  const books = { why: new Map(), copies: new Map() } as Pick<ReadBack, 'why' | 'copies'>
  let open = chosen
  let before = inventory
  for (let attempt = 1; ; attempt += 1) {
    const lost = await carryAll(run, session, open, before, record, books)
    const after = open.length > 0 ? await run.takeStock(session) : before
    const left = run.compare(after)
    await remember(run, after, chosen, left)
    for (const difference of chosen) {
      const { ref, is } = difference
      record.journal({ event: 'read back', ref, is, ok: !sameIn(left.differences, difference) })
    }
    if (!lost) return { left: run.compare(after), ...books }
    if (attempt === 2) throw UnpackError.of('lost-answer', { url: lost.url, finding: lost.failure.text })
    open = left.differences.filter((difference) => sameIn(chosen, difference))
    before = after
  }
}

/** Carries out what is open; gives the answer that was lost, if one was. */
async function carryAll(
  run: Run,
  session: SignedIn,
  open: readonly AnyDifference[],
  before: Inventory,
  record: Record,
  books: Pick<ReadBack, 'why' | 'copies'>,
): Promise<NoAnswer | undefined> {
  if (open.length === 0) return undefined
  run.phase('settle')
  try {
    await carryOut(run, session, open, { record, ids: idsFor(before, open), ...books })
    return undefined
  } catch (error) {
    if (!(error instanceof NoAnswer)) throw error
    record.journal({ event: 'lost', why: error.failure.text })
    session.shelf.forget()
    return error
  } finally {
    run.phase('read back')
  }
}

/** The texts that stand there as we wrote them are ours to replace when the baseline changes. */
async function remember(
  run: Run,
  inventory: Inventory,
  chosen: readonly AnyDifference[],
  left: Comparison,
): Promise<void> {
  const digests: { [ref: string]: string } = {}
  for (const difference of chosen) {
    const { ref, is } = difference
    if (is === 'left over' || sameIn(left.differences, difference) || left.kept.some((kept) => kept.ref === ref))
      continue
    const body = (foundAt(inventory, ref)?.item as { body?: string } | undefined)?.body
    if (body !== undefined) digests[ref] = bodyDigest(body)
  }
  if (Object.keys(digests).length > 0) await run.state.remember(digests)
}
