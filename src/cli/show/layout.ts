import pc from 'picocolors'
import stringWidth from 'string-width'

/** How wide a line may be: the terminal's width, within reason. */
export const width = (): number => Math.min(Math.max(process.stdout.columns || process.stderr.columns || 100, 60), 120)

/** Breaks a text into lines that fit behind `indent` columns. */
export function wrap(text: string, indent: number): string[] {
  const room = width() - indent
  const lines: string[] = []
  let line = ''
  for (const word of text.split(' ')) {
    if (line !== '' && stringWidth(line) + 1 + stringWidth(word) > room) {
      lines.push(line)
      line = word
    } else line = line === '' ? word : `${line} ${word}`
  }
  return [...lines, line]
}

/** A text with as many blanks behind it as fill a column: some signs are two columns wide, and some none. */
export const padded = (text: string, columns: number): string =>
  text + ' '.repeat(Math.max(0, columns - stringWidth(text)))

/** A row with a word in front: `  goes       the post “…”`. */
export function row(label: string, text: string, labelWidth = 11, paint: (text: string) => string = pc.dim): string[] {
  return wrap(text, labelWidth + 2).map(
    (line, index) => `  ${index === 0 ? paint(padded(label, labelWidth)) : ' '.repeat(labelWidth)}${line}`,
  )
}

export const heading = (text: string): string => pc.bold(text)
export const good = (text: string): string => pc.blue(text)
export const bad = (text: string): string => pc.red(pc.bold(text))
