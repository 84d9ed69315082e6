import stringWidth from 'string-width'
import { padded, width } from './layout.js'

const GAP = 2
const FIRST = 26

/** Rows of cells in columns as wide as the terminal allows; longer texts are folded within their column. */
export function tableLines(
  rows: readonly (readonly string[])[],
  paint: (cell: string, row: number) => string,
): string[] {
  const columns = Math.max(...rows.map((row) => row.length)) - 1
  const room = Math.max(10, Math.floor((width() - FIRST - 2) / columns) - GAP)
  return rows.flatMap((row, number) => {
    const cells = row.map((text, index) => folded(text, index === 0 ? FIRST : room))
    const height = Math.max(...cells.map((cell) => cell.length))
    return Array.from({ length: height }, (_, line) => {
      const parts = cells.map((cell, index) =>
        paint(padded(cell[line] ?? '', (index === 0 ? FIRST : room) + GAP), number),
      )
      return `  ${parts.join('')}`.trimEnd()
    })
  })
}

/** A text in lines that fit a column, broken behind blanks and slashes. */
function folded(text: string, room: number): string[] {
  return text.split('\n').flatMap((paragraph) => {
    const lines: string[] = []
    let line = ''
    for (const word of paragraph.split(/(?<=[ /])/)) {
      if (line !== '' && stringWidth((line + word).trimEnd()) > room) {
        lines.push(line.trimEnd())
        line = word
      } else line += word
    }
    return [...lines, line.trimEnd()]
  })
}
