import pc from 'picocolors'
import type { EyesCell } from '../../core/report/report.js'
import { bad, heading, row } from './layout.js'
import { tableLines } from './table.js'

/** What each may do where, as visitor, members and owner found it; a wrong cell is told apart by a word, not by colour alone. */
export function eyesBlock(cells: readonly EyesCell[]): string[] {
  if (cells.length === 0) return []
  const columns = [...new Set(cells.map(({ as }) => as))]
  const things = [...new Set(cells.map(({ at }) => at))]
  const cellOf = (at: string, as: string): string => {
    const cell = cells.find((one) => one.at === at && one.as === as)
    if (!cell?.seen) return cell?.outcome === 'failed' ? 'WRONG: could not look' : 'not looked at'
    const seen = cell.seen.join(', ') || 'nothing'
    return cell.outcome === 'passed' ? seen : `WRONG: ${seen}`
  }
  const rows = [['', ...columns], ...things.map((at) => [at, ...columns.map((as) => cellOf(at, as))])]
  const paint = (cell: string, number: number) =>
    number === 0 ? pc.dim(cell) : cell.includes('WRONG') ? bad(cell) : cell
  const reasons = new Map(cells.flatMap(({ as, why }) => (why === undefined ? [] : [[as, why]])))
  return [
    '',
    heading('what each may do where'),
    ...tableLines(rows, paint),
    ...[...reasons].flatMap(([as, why]) => row('', `not looked at, ${as}: ${why}`)),
  ]
}
