import { dequal } from 'dequal'
import { areaNames, areaOf, anyItem, type AnyDifference, type Inventory } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import { allFound, foundAt } from '../core/inventory.js'
import { areaIn } from '../core/ref.js'
import type { Secret } from '../core/secret.js'
import { makePassword } from '../logins/password.js'
import type { Step } from '../systems/step.js'
import type { Value } from '../core/area.js'
import { onSystem } from '../systems/abilities.js'
import { call } from './call.js'
import { carry } from './carrying/carry.js'
import { heldBy } from './carry-out.js'
import { keepingPages } from './unexpected-page.js'
import type { RunOptions } from './options.js'
import { copiesIn, type Copy } from './record-reading.js'
import { Run } from './run.js'
import { takeStock } from './stock.js'

export { readJournal } from './record-reading.js'

/** What was given back, and what could not be. */
export interface Undone {
  /** Refs that were made again, or brought back to what they were. */
  again: string[]
  /** Refs that could not be, and why. */
  failed: { ref: string; why: string }[]
  record: string
}

/**
 * Makes removed items again from the copies in a record, under their old slugs and dates, and gives what was written over back.
 * @param folder the record of the run that removed them
 * @param refs which of them; all where left out
 * @returns what was given back, and of everything else why not
 * @throws UnpackError `record-broken`, and whatever keeps a run from the site
 * @example await undo(baseline, 'unpack-record/127.0.0.1_4101/2026-11-25T101500Z', { logins, refs: ['posts/hello-world'] })
 */
export const undo = (
  baseline: Baseline,
  folder: string,
  options: RunOptions & { refs?: readonly string[] },
): Promise<Undone> =>
  call(async (guard) => {
    const copies = copiesIn(folder)
    const run = await Run.begin(baseline, options, guard)
    try {
      await run.lock()
      return await giveBack(run, copies, options.refs)
    } finally {
      await run.end()
    }
  })

async function giveBack(run: Run, copies: readonly Copy[], refs: readonly string[] | undefined): Promise<Undone> {
  const session = await run.logins.signIn()
  const { inventory } = await keepingPages(run, () => takeStock(run, session))
  const record = run.record(new Date())
  record.journal({ event: 'opened' })
  const failed: Undone['failed'] = (refs ?? [])
    .filter((ref) => !copies.some((copy) => copy.ref === ref))
    .map((ref) => ({ ref, why: 'the record holds no copy of it' }))
  const secrets: { [ref: string]: Secret } = {}
  const steps = new Map<Step, string>()
  const known = new Set([...allFound(inventory), ...copies].map(({ ref }) => ref))
  for (const kept of copies.filter(({ ref }) => refs?.includes(ref) ?? true)) {
    const copy = { ...kept, item: linkedTo(known, kept) }
    const way = await wayBack(run, copy, inventory, secrets)
    if (typeof way === 'string') failed.push({ ref: copy.ref, why: way })
    else for (const step of way) steps.set(step, copy.ref)
  }
  const lost = new Map<string, string>()
  const refsOf = (load: readonly Step[]) => [...new Set(load.map((step) => steps.get(step) ?? ''))]
  const held = await carry([...steps.keys()], {
    session,
    known: {
      ids: new Map(allFound(inventory).map(({ ref, id }) => [ref, id])),
      addresses: new Map(
        allFound(inventory).flatMap(({ ref, address }) => (address === undefined ? [] : [[ref, address]])),
      ),
    },
    secrets,
    before: (carrier, load) => {
      run.account.tell({ is: 'sent', carrier: carrier.name, refs: refsOf(load) })
      for (const ref of refsOf(load)) record.journal({ event: 'begun', carrier: carrier.name, ref, is: 'missing' })
    },
    after: (carrier, load, outcomes) => {
      for (const [index, step] of load.entries()) {
        const ref = steps.get(step) ?? ''
        const why = outcomes[index]?.refused
        record.journal({ event: why === undefined ? 'done' : 'refused', carrier: carrier.name, ref, why })
        if (why !== undefined) lost.set(ref, why)
      }
    },
  })
  for (const [step, why] of held) lost.set(steps.get(step) ?? '', heldBy(why).text)
  const again = [...new Set(steps.values())].filter((ref) => !lost.has(ref))
  await session.signOut().catch(() => undefined)
  record.journal({ event: 'closed', ok: failed.length + lost.size === 0 })
  run.account.endLog()
  return { again, failed: [...failed, ...[...lost].map(([ref, why]) => ({ ref, why }))], record: record.folder }
}

const areaNamed = (ref: string) => areaNames.find((name) => name === areaIn(ref))

/** What it was linked to and is nowhere any more, under another name perhaps, is left out. */
function linkedTo(known: ReadonlySet<string>, { ref, item }: Copy): Copy['item'] {
  const name = areaNamed(ref)
  const { links = [], within } = name ? areaOf(name) : {}
  const there = (to: unknown): boolean => typeof to !== 'string' || known.has(to)
  const changed = links
    .filter((key) => key !== within && item[key] !== undefined)
    .map((key) => {
      const to = item[key]
      return [key, Array.isArray(to) ? (to as readonly Value[]).filter(there) : there(to) ? to : ''] as const
    })
  return { ...item, ...Object.fromEntries(changed) }
}

/** The steps that give something back; or why there are none. */
async function wayBack(
  run: Run,
  { ref, is, item, copy, bytes }: Copy,
  inventory: Inventory,
  secrets: { [ref: string]: Secret },
): Promise<Step[] | string> {
  const area = areaNamed(ref)
  const way = area && onSystem(run.site.system, area)
  if (!area || !way) return 'this system can’t be given it again'
  const here = { firstRun: false, baseline: run.baseline, inventory }
  const found = foundAt(inventory, ref)
  if (is === 'different') {
    if (!found) return 'it is not there any more'
    const fields = areaOf(area).keys.filter(
      (key) => key in item && !dequal(item[key] ?? '', anyItem(found.item)[key] ?? ''),
    )
    const difference = { area, ref, is, found, wanted: item, fields } as unknown as AnyDifference
    return fields.length === 0 ? 'it stands there as it was' : (way.translate?.([difference as never], here) ?? [])
  }
  const { unkept } = areaOf(area)
  if (unkept !== undefined) return `it can’t be given back: ${unkept}`
  if (found) return 'something stands there already'
  const username = areaOf(area).account?.(item)
  if (username !== undefined) secrets[ref] = await newPassword(run, username)
  if (way.again) return [way.again({ ref, item, copy, bytes })].flat()
  const difference = { area, ref, is: 'missing', wanted: item } as unknown as AnyDifference
  const steps = way.translate?.([difference as never], here) ?? []
  return steps.length === 0 ? 'this system can’t be given it again' : steps
}

/** An account that is made again gets a password of its own: the old one is nowhere kept. */
async function newPassword(run: Run, username: string): Promise<Secret> {
  const password = makePassword(run.site.system.password)
  run.account.guard.add(password)
  await run.options.logins.put(run.site.home, username, password)
  return password
}
