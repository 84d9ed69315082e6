import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { root } from '../help/root.js'
import { liveApart, option, twoAtATime } from './apart.js'
import { kinds } from './kinds.js'
import { putSection } from './page.js'

/*
 * `npm run lives [-- --seed N] [--most N] [--kind NAME]`: lives on all stand-ins, with a table in docs/trust.md. Fifty at a time are
 * counted in .lab/lives: a run that was stopped goes on from there, as long as the program and its stand-ins are the same.
 */
const seed = Number(option('--seed') ?? 41)
const most = Number(option('--most') ?? 500)
const only = option('--kind')
const AT_A_TIME = 50

const git = (...what: string[]): string => execFileSync('git', what, { cwd: root, encoding: 'utf8' }).trim()
const commit = git('rev-parse', '--short=10', 'HEAD')
const code = createHash('sha256')
  .update(git('rev-parse', 'HEAD:src', 'HEAD:stand-ins', 'HEAD:test/lives'))
  .digest('hex')
const folder = join(root, '.lab/lives', `${code.slice(0, 10)}-${seed}`)
const one = fileURLToPath(new URL('one.js', import.meta.url))
mkdirSync(folder, { recursive: true })

/** How many lives of a kind went well, and how many went wrong: it stops at the first. */
async function livesOf(kind: string): Promise<{ kind: string; lives: number; wrong: number }> {
  const file = join(folder, `${kind}.json`)
  let { lives } = existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as { lives: number }) : { lives: 0 }
  while (lives < most) {
    const from = seed * 1_000_000 + lives
    const { wrong } = await liveApart(one, kind, from, AT_A_TIME)
    if (wrong) {
      process.stderr.write(`${kind}, seed ${from}:\n${wrong.steps}\n${wrong.story}\n`)
      return { kind, lives, wrong: 1 }
    }
    lives += AT_A_TIME
    writeFileSync(file, `${JSON.stringify({ lives })}\n`)
    process.stderr.write(`${kind}: ${lives} lives\n`)
  }
  return { kind, lives, wrong: 0 }
}

const order = Object.keys(kinds)
const all: Awaited<ReturnType<typeof livesOf>>[] = []
await twoAtATime(
  order.filter((kind) => only === undefined || kind === only),
  async (kind) => void all.push(await livesOf(kind)),
)
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
