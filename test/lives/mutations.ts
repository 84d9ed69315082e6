import { cpSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../help/root.js'
import { liveApart, option, twoAtATime } from './apart.js'
import { applied, mutations, type Mutation } from './mutation-list.js'
import { putSection } from './page.js'

/*
 * `npm run lives:mutations [-- --seed N] [--most N] [--minutes N] [--only N,N]`: takes each fix out of a scratch copy, one at a time,
 * and lives there until something goes wrong. Prints a table, also into docs/trust.md.
 */
const seed = Number(option('--seed') ?? 41)
const most = Number(option('--most') ?? 400)
const minutes = Number(option('--minutes') ?? 6)
const only = option('--only')?.split(',').map(Number)

/** A copy of the compiled program without a fix. */
function without({ edits }: Mutation, folder: string): void {
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  for (const part of ['dist', 'demo', 'package.json']) cpSync(join(root, part), join(folder, part), { recursive: true })
  for (const edit of edits) writeFileSync(join(folder, 'dist', edit.file), applied(edit))
}
/** How many steps fast-check prints, without the replay path after them. */
const stepsIn = (steps: string): number => steps.replace(/\/\*.*/, '').match(/(?:^|,)[a-zA-Z]+/g)?.length ?? 0

const rows = new Map<number, string>()
let missed = 0
await twoAtATime(
  mutations.map((mutation, index) => ({ mutation, index })).filter(({ index }) => !only || only.includes(index)),
  async ({ mutation, index }) => {
    const folder = join(root, '.lab/mutations', String(index))
    without(mutation, folder)
    const { lives, wrong } = await liveApart(
      join(folder, 'dist/test/lives/one.js'),
      mutation.on,
      seed,
      most,
      minutes * 60_000,
    )
    rmSync(folder, { recursive: true, force: true })
    if (!wrong) missed += 1
    const found = wrong ? `${lives} | ${stepsIn(wrong.steps)}` : `not in ${lives} | `
    const row = `| ${mutation.fault} | ${mutation.on} | ${found} |`
    rows.set(index, row)
    process.stderr.write(`${row}\n${wrong ? `${wrong.steps}\n${wrong.story}\n\n` : ''}`)
  },
)
const table = [
  `Taken out by \`npm run lives:mutations\`, one at a time, in a scratch copy; lives from seed ${seed} on, shrunk as far as ${minutes} minutes allow.`,
  '',
  '| without its fix | on | found by life | shrunk to steps |',
  '| --- | --- | --: | --: |',
  ...[...rows].sort(([one], [other]) => one - other).map(([, row]) => row),
].join('\n')
process.stdout.write(`${table}\n`)
if (!only) putSection('mutations', table)
process.exitCode = missed === 0 ? 0 : 1
