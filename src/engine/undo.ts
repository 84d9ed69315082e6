import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import { areaNames } from '../core/areas/index.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import { allFound } from '../core/inventory.js'
import { journalLine, type JournalLine } from '../core/report/report.js'
import { carry } from './carry.js'
import type { RunOptions } from './options.js'
import { Record } from './record.js'
import { Run } from './run.js'

export interface Undone {
  /** Refs that were made again. */
  again: string[]
  /** Refs that could not be, and why. */
  failed: { ref: string; why: string }[]
  record: string
}

const copySchema = z.strictObject({ ref: z.string(), copy: z.unknown() })

/** Reads a journal line by line. */
export function readJournal(folder: string): JournalLine[] {
  const file = join(folder, 'journal.jsonl')
  if (!existsSync(file)) throw UnpackError.of('file-missing', { file })
  return readFileSync(file, 'utf8')
    .split('\n')
    .flatMap((line, index) => {
      if (line.trim() === '') return []
      try {
        return [journalLine.parse(JSON.parse(line))]
      } catch {
        throw UnpackError.of('record-broken', { file, line: index + 1 })
      }
    })
}

/**
 * Makes removed items again from the copies in a record, under their old slugs and dates.
 * @param folder the record of the run that removed them
 * @param refs which of them; all where left out
 */
export async function undo(
  baseline: Baseline,
  folder: string,
  options: RunOptions & { refs?: readonly string[] },
): Promise<Undone> {
  const removed = readJournal(folder).filter(
    ({ event, is, copy, ref }) =>
      event === 'begun' && is === 'left over' && copy !== undefined && (options.refs?.includes(ref ?? '') ?? true),
  )
  const run = await Run.begin(baseline, options)
  const unlock = await run.state.lock()
  try {
    const session = await run.signIn()
    const inventory = await run.takeStock(session)
    const there = new Set<string>(allFound(inventory).map(({ ref }) => ref))
    const record = Record.open(run.address, options.records)
    const failed: Undone['failed'] = []
    const steps = removed.flatMap(({ ref = '', copy = '' }) => {
      const area = areaNames.find((name) => ref.startsWith(`${name}/`))
      const again = area && run.onSystem(area)?.again
      if (there.has(ref)) failed.push({ ref, why: 'something stands there already' })
      else if (!again) failed.push({ ref, why: 'this system can’t be given it again' })
      else return [{ ref, step: again(copySchema.parse(JSON.parse(readFileSync(join(folder, copy), 'utf8'))).copy) }]
      return []
    })
    const again: string[] = []
    const refFor = (step: unknown) => steps.find((one) => one.step === step)?.ref ?? ''
    await carry(
      steps.map(({ step }) => step),
      {
        session,
        known: { ids: new Map(allFound(inventory).map(({ ref, id }) => [ref, id])), addresses: new Map() },
        secrets: {},
        before: (carrier, load) => {
          for (const step of load)
            record.journal({ event: 'begun', carrier: carrier.name, ref: refFor(step), is: 'missing' })
        },
        after: (carrier, load, outcomes) => {
          load.forEach((step, index) => {
            const refused = outcomes[index]?.refused
            record.journal({
              event: refused === undefined ? 'done' : 'refused',
              carrier: carrier.name,
              ref: refFor(step),
              ...(refused !== undefined && { why: refused }),
            })
            if (refused === undefined) again.push(refFor(step))
            else failed.push({ ref: refFor(step), why: refused })
          })
        },
      },
    )
    await session.signOut().catch(() => undefined)
    return { again, failed, record: record.folder }
  } finally {
    await unlock().catch(() => undefined)
    await run.end()
  }
}
