import { spawn } from 'node:child_process'
import type { Lived } from './run.js'

/**
 * Lives in a process of their own: what one leaves behind does not burden the next.
 * @param one the compiled one.js
 * @param most how many lives
 * @param until milliseconds, shrinking included
 */
export function liveApart(one: string, kind: string, seed: number, most: number, until = Infinity): Promise<Lived> {
  const given = ['--no-warnings', one, kind, String(seed), String(most), String(until)]
  const child = spawn(process.execPath, given, { stdio: ['ignore', 'pipe', 'inherit'] })
  let out = ''
  child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text))
  return new Promise((resolve, reject) =>
    child.on('close', () => {
      try {
        resolve(JSON.parse(out) as Lived)
      } catch {
        reject(new Error(`lives on the ${kind} ended without a result: ${out.slice(-400)}`))
      }
    }),
  )
}

/** Works through a list, two at a time: one for each core of a small machine. */
export async function twoAtATime<Item>(items: Iterable<Item>, work: (item: Item) => Promise<void>): Promise<void> {
  const left = [...items]
  const worker = async () => {
    for (let next = left.shift(); next !== undefined; next = left.shift()) await work(next)
  }
  await Promise.all([worker(), worker()])
}

/** The value after an option of the command line. */
export const option = (name: string): string | undefined =>
  process.argv.includes(name) ? process.argv[process.argv.indexOf(name) + 1] : undefined
