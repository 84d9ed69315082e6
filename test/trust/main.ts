import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { root } from '../help/root.js'
import { pageOf, type Result } from './page.js'
import { parts } from './parts.js'
import { isClean } from './tally.js'

/*
 * `npm run trust [-- --seed N] [--most N] [--part NAME] [--without-lab]`: every part, in processes side by side, and docs/trust.md.
 * Of most parts a sample is tried; `--most Infinity` tries all.
 * The figures of each clean part are kept in .lab/trust until all are there, so that a run that was stopped goes on.
 */
const args = process.argv.slice(2)
const after = (name: string): string | undefined => (args.includes(name) ? args[args.indexOf(name) + 1] : undefined)
const seed = Number(after('--seed') ?? 41)
const only = after('--part')
const most = after('--most') ?? 'usual'
const real = args.includes('--without-lab')
  ? []
  : ['killed, real blog', 'killed, real forum', 'readings, real blog', 'readings, real forum']
const names = [...parts.map(({ name }) => name), ...real].filter((name) => only === undefined || name === only)
const folder = join(root, '.lab/trust', `${seed}-${most}`)
/** Only a run of everything may say on the page what was tried. */
const whole = only === undefined && most === 'usual' && real.length > 0
mkdirSync(folder, { recursive: true })

function tried(name: string): Promise<Result> {
  const kept = join(folder, `${name}.json`)
  if (existsSync(kept)) return Promise.resolve(JSON.parse(readFileSync(kept, 'utf8')) as Result)
  const began = Date.now()
  return new Promise((resolve, reject) => {
    const child = spawn(
      process.execPath,
      [fileURLToPath(new URL('part.js', import.meta.url)), name, String(seed), most],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    )
    let out = ''
    child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text))
    child.on('close', () => {
      const line = out.trim().split('\n').at(-1) ?? ''
      try {
        const seconds = Math.round((Date.now() - began) / 1000)
        const result = { ...(JSON.parse(line) as Omit<Result, 'seconds'>), seconds }
        const { runs, troubles } = result.tally
        process.stderr.write(
          `${name}: ${runs} runs, ${troubles.length} troubles\n${troubles.map((one) => `  ${one}\n`).join('')}`,
        )
        if (isClean(result.tally)) writeFileSync(kept, `${JSON.stringify(result, null, 1)}\n`)
        resolve(result)
      } catch {
        reject(new Error(`${name} ended without a word: ${out.slice(-400)}`))
      }
    })
  })
}

const results: Result[] = []
const left = [...names]
const worker = async () => {
  for (let name = left.shift(); name !== undefined; name = left.shift()) results.push(await tried(name))
}
await Promise.all(Array.from({ length: Math.max(2, availableParallelism()) }, worker))
results.sort((a, b) => names.indexOf(a.name) - names.indexOf(b.name))
const page = pageOf(results, { date: new Date().toISOString().slice(0, 10), seed })
process.stdout.write(page)
const clean = results.every(({ tally }) => isClean(tally))
if (whole) writeFileSync(join(root, 'docs/trust.md'), page)
if (whole && clean) rmSync(folder, { recursive: true })
process.exitCode = clean ? 0 : 1
