import pc from 'picocolors'
import type { AccessRow } from '../../core/access/rows.js'
import { heading, row } from './layout.js'
import { tableLines } from './table.js'

/** Who may do what in which forum: a column for each of those that access tells apart. */
export function accessBlock(rows: readonly AccessRow[]): string[] {
  const [first] = rows
  if (!first) return []
  const names = first.beyond.map(({ who }) => (who === 'everyone' ? 'visitors' : who))
  const lines = rows.map(({ forums, beyond }) => [forums.join('\n'), ...beyond.map(({ may }) => may.join(', ') || '·')])
  return [
    '',
    heading('who may do what'),
    ...row('', 'each may what those to the left may as well; groups what members may', 0),
    ...tableLines([['', ...names], ...lines], (cell, number) => (number === 0 ? pc.dim(cell) : cell)),
  ]
}
