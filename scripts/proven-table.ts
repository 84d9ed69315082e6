import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

interface Proven {
  name: string
  versions: string[]
  passed: string[]
  skipped: string[]
}

/** The README's table: a row a case of the conformance suite, a column a system, from the cases that passed. */
export function provenTable(root: string): string {
  const folder = join(root, 'docs/proven')
  const systems = readdirSync(folder)
    .sort()
    .reverse()
    .map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Proven)
  const cases = [
    ...new Set(
      systems.flatMap(({ passed, skipped }) => [...passed, ...skipped.map((name) => name.replace(/ \([^)]*\)$/, ''))]),
    ),
  ]
  const cell = (system: Proven, name: string) => (system.passed.includes(name) ? '✓' : '–')
  return [
    `| what is proven | ${systems.map(({ name, versions }) => `${name} ${versions.join(', ')}`).join(' | ')} |`,
    `|---|${systems.map(() => '---|').join('')}`,
    ...cases.map(
      (name) => `| ${name.replace(/: /, ': ')} | ${systems.map((system) => cell(system, name)).join(' | ')} |`,
    ),
    '',
  ].join('\n')
}
