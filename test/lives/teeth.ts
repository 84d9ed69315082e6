import { spawn } from 'node:child_process'
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../help/root.js'
import { putSection } from './page.js'
import type { Lived } from './run.js'
import { teeth, type Tooth } from './teeth-list.js'

/*
 * `npm run teeth [-- --seed N] [--most N] [--minutes N] [--only N]`: each fix is taken out of a scratch copy, one at a time, and lives are
 * lived there until one goes wrong. Prints a table of them, also into docs/trust.md.
 */
const args = process.argv.slice(2)
const after = (name: string): string | undefined => (args.includes(name) ? args[args.indexOf(name) + 1] : undefined)
const seed = Number(after('--seed') ?? 41)
const most = after('--most') ?? '400'
const minutes = Number(after('--minutes') ?? 6)
const only = after('--only')?.split(',').map(Number)
const scratch = join(root, '.lab/teeth')

/** A copy of the compiled program without a fix. */
function without({ edits }: Tooth, name: string): string {
  const folder = join(scratch, name)
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  for (const part of ['dist', 'demo', 'package.json']) cpSync(join(root, part), join(folder, part), { recursive: true })
  for (const { file, from, to } of edits) {
    const path = join(folder, 'dist', file)
    const text = readFileSync(path, 'utf8')
    if (!text.includes(from)) throw new Error(`${file} does not hold “${from}”`)
    writeFileSync(path, text.replaceAll(from, to))
  }
  return folder
}

const lived = (tooth: Tooth, name: string): Promise<Lived> => {
  const folder = without(tooth, name)
  return new Promise((resolve, reject) => {
    const one = join(folder, 'dist/test/lives/one.js')
    const given = ['--no-warnings', one, tooth.on, String(seed), most, String(minutes * 60_000)]
    const child = spawn(process.execPath, given, { stdio: ['ignore', 'pipe', 'inherit'] })
    let out = ''
    child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text))
    child.on('close', () => {
      rmSync(folder, { recursive: true, force: true })
      try {
        resolve(JSON.parse(out) as Lived)
      } catch {
        reject(new Error(`“${tooth.fault}” ended without a word: ${out.slice(-400)}`))
      }
    })
  })
}

const stepsIn = (steps: string): number => steps.replace(/\/\*.*/, '').match(/(?:^|,)[a-zA-Z]+/g)?.length ?? 0
const rows = new Map<number, string>()
const left = teeth.map((tooth, index) => ({ tooth, index })).filter(({ index }) => !only || only.includes(index))
const missed: string[] = []
const worker = async () => {
  for (let next = left.shift(); next !== undefined; next = left.shift()) {
    const { tooth, index } = next
    const { lives, wrong } = await lived(tooth, String(index))
    if (!wrong) missed.push(tooth.fault)
    const row = `| ${tooth.fault} | ${tooth.on} | ${wrong ? `${lives}` : `not in ${lives}`} | ${wrong ? stepsIn(wrong.steps) : ''} |`
    rows.set(index, row)
    process.stderr.write(`${row}\n${wrong ? `${wrong.story}\n\n` : ''}`)
  }
}
await Promise.all([worker(), worker()])
const table = [
  `Taken out by \`npm run teeth\`, one at a time, in a scratch copy; lives from seed ${seed} on, shrunk as far as ${minutes} minutes allow.`,
  '',
  '| without its fix | on | found by life | shrunk to steps |',
  '| --- | --- | --: | --: |',
  ...[...rows].sort(([one], [other]) => one - other).map(([, row]) => row),
].join('\n')
process.stdout.write(`${table}\n`)
if (!only) putSection('teeth', table)
process.exitCode = missed.length === 0 ? 0 : 1
