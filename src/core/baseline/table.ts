import { CsvError, parse, type CsvErrorCode, type InfoRecord } from 'csv-parse/browser/esm/sync'
import { textIn, type Files } from './files.js'
import type { Mistake } from './mistake.js'
import { isGroup, type Path, type PlainGroup } from './plain-values.js'
import { keysAt, schemaAt } from './schema-walk.js'
import type { Position } from './source.js'

/** Rows that are read at the most: more than any shop of its owner's own holds. */
const MOST_ROWS = 100_000

/** The rows of a table as plain values, and where each value stands. */
export interface Table {
  rows: PlainGroup[]
  mistakes: Mistake[]
  /** Where a value of a row stands: its line, and its column counted in cells. */
  at(row: number, key?: PropertyKey): Position
}

/** The file from which a list comes, if it does. */
export const tableOf = (list: unknown): string | undefined =>
  isGroup(list) && typeof list.from === 'string' ? list.from : undefined

/**
 * Reads a table (RFC 4180) row by row: its first row holds keys of the items, an empty cell leaves a key out.
 * @param path where the list stands in the baseline
 */
export function tableIn(file: string, files: Files, path: Path): Table {
  const mistakes: Mistake[] = []
  const rows: PlainGroup[] = []
  const lines: number[] = []
  let keys: (string | undefined)[] = []
  let sorts: (string | undefined)[] = []
  let line = 1
  const at = (row: number, key?: PropertyKey): Position => ({
    file,
    line: lines[row] ?? 1,
    column: Math.max(1, keys.indexOf(String(key)) + 1),
  })
  const wrong = (code: Mistake['code'], where: Position, what: string, expected: string) =>
    mistakes.push({ code, at: where, path: '', what, expected })
  const take = (record: string[], { lines: at }: InfoRecord): null => {
    if (line === 1) {
      keys = headerOf(record, path, (column, what, expected) =>
        wrong('unknown-key', { file, line, column }, what, expected),
      )
      sorts = keys.map((key) => key && schemaAt([...path, 0, key]).type)
    } else if (rows.length < MOST_ROWS) {
      rows.push(rowOf(record, keys, sorts))
      lines.push(line)
    }
    line = at + 1
    return null
  }
  try {
    // row by row: nothing of a table is held twice
    parse(textIn(files, file) ?? '', { bom: true, skip_empty_lines: true, on_record: take })
  } catch (error) {
    if (!(error instanceof CsvError)) throw error
    const [what, expected] = troubles[error.code] ?? [
      'this is no table',
      'values with commas between, as RFC 4180 says',
    ]
    const { index = 0, lines = line } = error as { index?: number; lines?: number }
    wrong('wrong-file', { file, line: lines, column: index + 1 }, what, expected)
  }
  if (line === 1 && mistakes.length === 0)
    wrong('wrong-file', { file, line: 1, column: 1 }, 'this table is empty', 'keys in its first row')
  return { rows, mistakes, at }
}

const troubles: Partial<Record<CsvErrorCode, readonly [string, string]>> = {
  CSV_QUOTE_NOT_CLOSED: ['a quote is opened here and not closed', 'the other one at the end of the value'],
  CSV_INVALID_CLOSING_QUOTE: ['a quote stands within a value in quotes', 'two of them, "", for one'],
  INVALID_OPENING_QUOTE: [
    'a quote stands within a value without quotes',
    'the whole value in quotes, with "" for each within',
  ],
  CSV_RECORD_INCONSISTENT_FIELDS_LENGTH: ['this row has more or fewer cells than the first', 'a cell for every key'],
}

/** The keys of a table's first row; one that no item has is told, and its column left out. */
function headerOf(
  record: readonly string[],
  path: Path,
  wrong: (column: number, what: string, expected: string) => void,
): (string | undefined)[] {
  // what is a list of groups has no room in a cell
  const known = keysAt([...path, 0]).filter((key) => schemaAt([...path, 0, key, 0]).type !== 'object')
  return record.map((cell, index) => {
    const key = cell.trim()
    if (!known.includes(key)) {
      const called = /^[A-Za-z]{1,20}$/.test(key) ? `“${key}”` : 'this'
      wrong(index + 1, `${called} is no key of an item`, `one of ${known.join(', ')}`)
      return undefined
    }
    if (record.findIndex((one) => one.trim() === key) < index)
      wrong(index + 1, `“${key}” stands here twice`, 'every key once')
    return key
  })
}

function rowOf(
  record: readonly string[],
  keys: readonly (string | undefined)[],
  sorts: readonly (string | undefined)[],
): PlainGroup {
  const cells = keys.flatMap((key, index): [string, unknown][] => {
    const cell = record[index] ?? ''
    return key === undefined || cell.trim() === '' ? [] : [[key, valueOf(key, cell, sorts[index])]]
  })
  return Object.fromEntries(cells)
}

/** What a cell says, by the sort that its key has in the format. Several values stand with semicolons between. */
function valueOf(key: string, cell: string, sort: string | undefined): unknown {
  const text = cell.trim()
  const parts = text
    .split(';')
    .map((one) => one.trim())
    .filter((one) => one !== '')
  if (sort === 'array') return parts
  // what is no number stays a text, and is told as one
  if (sort === 'integer' || sort === 'number') return /^\d+(?:\.\d+)?$/.test(text) ? Number(text) : text
  if (sort === 'object') return parts.every((one) => one.includes(':')) ? groupOf(parts) : text
  return key === 'text' ? cell : text
}

/** `size: S` as a key and its value. */
const groupOf = (parts: readonly string[]): PlainGroup =>
  Object.fromEntries(
    parts.map((one) => [one.slice(0, one.indexOf(':')).trim(), one.slice(one.indexOf(':') + 1).trim()]),
  )
