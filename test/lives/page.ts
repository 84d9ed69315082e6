import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../help/root.js'

const page = join(root, 'docs/trust.md')
const marks = (name: string): [string, string] => [`<!-- ${name} -->`, `<!-- end of ${name} -->`]

/** The part of the page from one heading to another, for what writes the whole page. */
export function between(from: string, to: string): string {
  const [, rest = ''] = readFileSync(page, 'utf8').split(`${from}\n`)
  return `${from}\n${rest.split(`${to}\n`)[0] ?? ''}`.trimEnd()
}

/** Writes a part of the page anew. */
export function putSection(name: string, text: string): void {
  const whole = readFileSync(page, 'utf8')
  const [from, to] = marks(name)
  const [before = '', rest] = whole.split(from)
  if (rest === undefined) throw new Error(`docs/trust.md has no mark “${from}”`)
  writeFileSync(page, `${before}${from}\n\n${text}\n\n${to}${rest.slice(rest.indexOf(to) + to.length)}`)
}
