import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../help/root.js'

const page = join(root, 'docs/trust.md')
const marks = (name: string): [string, string] => [`<!-- ${name} -->`, `<!-- end of ${name} -->`]

/** What stands on the page about what was tried, between two marks. */
export function sectionOf(name: string): string {
  const [from, to] = marks(name)
  const text = readFileSync(page, 'utf8')
  return text.includes(from) ? (text.split(from)[1]?.split(to)[0]?.trim() ?? '') : ''
}
/** The same with its marks, for whoever writes the whole page. */
export const section = (name: string, text: string): string => marks(name).join(`\n\n${text}\n\n`)

/** Writes a part of the page anew. */
export function putSection(name: string, text: string): void {
  const whole = readFileSync(page, 'utf8')
  const [from, to] = marks(name)
  const [before = '', rest] = whole.split(from)
  if (rest === undefined) throw new Error(`docs/trust.md has no mark “${from}”`)
  writeFileSync(page, `${before}${section(name, text)}${rest.slice(rest.indexOf(to) + to.length)}`)
}
