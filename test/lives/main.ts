import { execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { root } from '../help/root.js'
import { putSection } from './page.js'
import { kinds } from './kinds.js'
import type { Lived } from './run.js'

/*
 * `npm run lives [-- --seed N] [--most N] [--kind NAME]`: lives on all stand-ins, and what came of them in docs/trust.md. They are
 * lived fifty at a time, and counted in .lab/lives: a run that was stopped goes on, as long as nothing was committed since.
 */
const args = process.argv.slice(2)
const after = (name: string): string | undefined => (args.includes(name) ? args[args.indexOf(name) + 1] : undefined)
const seed = Number(after('--seed') ?? 41)
const most = Number(after('--most') ?? 500)
const only = after('--kind')
const AT_A_TIME = 50

const git = (...what: string[]): string => execFileSync('git', what, { cwd: root, encoding: 'utf8' }).trim()
const commit = git('rev-parse', '--short=10', 'HEAD')
const folder = join(root, '.lab/lives', `${commit}-${seed}`)
mkdirSync(folder, { recursive: true })

/** Some lives in a process of its own: what one leaves behind does not weigh on the next. */
function lived(kind: string, from: number): Promise<Lived> {
  const one = fileURLToPath(new URL('one.js', import.meta.url))
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['--no-warnings', one, kind, String(from), String(AT_A_TIME)], {
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    let out = ''
    child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text))
    child.on('close', () => {
      try {
        resolve(JSON.parse(out) as Lived)
      } catch {
        reject(new Error(`lives on the ${kind} ended without a word: ${out.slice(-400)}`))
      }
    })
  })
}

/** The lives of one kind, from where an earlier run ended. */
async function livesOf(kind: string): Promise<{ kind: string; lives: number; wrong: number }> {
  const file = join(folder, `${kind}.json`)
  const known = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as { lives: number }) : { lives: 0 }
  let { lives } = known
  for (; lives < most; lives += AT_A_TIME) {
    const from = seed * 1_000_000 + lives
    const { wrong } = await lived(kind, from)
    if (wrong) {
      process.stderr.write(`${kind}, seed ${from}:\n${wrong.steps}\n${wrong.story}\n`)
      return { kind, lives, wrong: 1 }
    }
    writeFileSync(file, `${JSON.stringify({ lives: lives + AT_A_TIME })}\n`)
    process.stderr.write(`${kind}: ${lives + AT_A_TIME} lives\n`)
  }
  return { kind, lives, wrong: 0 }
}

const left = Object.keys(kinds).filter((kind) => only === undefined || kind === only)
const all: Awaited<ReturnType<typeof livesOf>>[] = []
const worker = async () => {
  for (let kind = left.shift(); kind !== undefined; kind = left.shift()) all.push(await livesOf(kind))
}
await Promise.all([worker(), worker()])
const order = Object.keys(kinds)
all.sort((a, b) => order.indexOf(a.kind) - order.indexOf(b.kind))
const table = [
  `Lived with \`npm run lives\` on commit ${commit}, from seed ${seed} on.`,
  '',
  '|  | lives | gone wrong |',
  '| --- | --: | --: |',
  ...all.map(({ kind, lives, wrong }) => `| ${kind} | ${lives} | ${wrong} |`),
].join('\n')
process.stdout.write(`${table}\n`)
const isWhole = only === undefined && git('status', '--porcelain', 'src', 'stand-ins', 'test') === ''
if (isWhole) putSection('lives', table)
process.exitCode = all.every(({ wrong }) => wrong === 0) ? 0 : 1
