import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { parts } from './parts.js'

/** One part, in a process of its own: prints its tally as a line of JSON. */
const [name = '', seed = '1', most = 'usual'] = process.argv.slice(2)
const labs = name.includes(', real ') ? (await import('./lab-parts.js')).labParts : []
const part = [...parts, ...labs].find((one) => one.name === name)
if (!part) throw new Error(`no part is called ${name}`)
const folder = mkdtempSync(join(tmpdir(), 'unpack-trust-'))
try {
  const cases = most === 'usual' ? (part.usual ?? Infinity) : Number(most)
  const tally = await part.run({ folder, seed: Number(seed), most: cases })
  process.stdout.write(`${JSON.stringify({ name, about: part.about, tally })}\n`)
} finally {
  rmSync(folder, { recursive: true, force: true })
}
process.exit()
