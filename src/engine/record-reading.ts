import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { z } from 'zod'
import type { AnyItem } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import { journalLine, type JournalLine } from '../core/report/report.js'

const copySchema = z.object({
  ref: z.string(),
  item: z.record(z.string(), z.json()).optional(),
  copy: z.unknown().optional(),
  file: z.string().optional(),
})

/** What was removed or written over, as the record keeps it. */
export interface Copy {
  ref: string
  is: 'left over' | 'different'
  item: AnyItem
  copy: unknown
  /** The bytes of an upload. */
  bytes?: Uint8Array
  /** The values that were written over it, key by key. */
  wrote: AnyItem
}

/** Reads a journal line by line; a last line that was cut off with its run is none. */
export function readJournal(folder: string): JournalLine[] {
  const file = join(folder, 'journal.jsonl')
  if (!existsSync(file)) throw UnpackError.of('file-missing', { file })
  const lines = readFileSync(file, 'utf8').split('\n')
  return lines.flatMap((line, index) => {
    if (line.trim() === '') return []
    try {
      return [journalLine.parse(JSON.parse(line))]
    } catch {
      if (index === lines.length - 1) return []
      throw UnpackError.of('record-broken', { file, line: index + 1 })
    }
  })
}

/** The copies in a record, each once. */
export function copiesIn(folder: string): Copy[] {
  const begun = readJournal(folder).filter(
    ({ event, is, copy }) => event === 'begun' && copy !== undefined && (is === 'left over' || is === 'different'),
  )
  const named = new Map(
    begun.map(({ copy = '', is, ref = '', wanted }) => [
      copy,
      { is: is as Copy['is'], ref, wrote: (wanted ?? {}) as AnyItem },
    ]),
  )
  return [...named].map(([name, { is, ref: planned, wrote }]) => {
    const path = join(folder, name)
    try {
      const { ref, item = {}, copy, file } = copySchema.parse(JSON.parse(readFileSync(path, 'utf8')))
      // what was written over may go by another name since
      const now = is === 'different' ? planned : ref
      return {
        ref: now,
        is,
        item,
        copy,
        wrote,
        ...(file !== undefined && { bytes: new Uint8Array(readFileSync(join(folder, file))) }),
      }
    } catch {
      throw UnpackError.of('record-broken', { file: path, line: 1 })
    }
  })
}
