import { basename } from 'node:path'
import type { TestEvent } from 'node:test/reporters'

/* A reporter for `node --test`: which files and tests took longest. */

const MOST = 12

/** @param source the events of a run */
export default async function* slowest(source: AsyncIterable<TestEvent>): AsyncGenerator<string> {
  const tests: { what: string; ms: number }[] = []
  const files = new Map<string, number>()
  for await (const event of source) {
    if ((event.type !== 'test:pass' && event.type !== 'test:fail') || event.data.nesting > 0) continue
    const { name, file, details } = event.data
    const from = basename(file ?? '').replace(/\.js$/, '')
    tests.push({ what: `${from}: ${name}`, ms: details.duration_ms })
    files.set(from, (files.get(from) ?? 0) + details.duration_ms)
  }
  const lines = (all: readonly { what: string; ms: number }[]) =>
    all
      .toSorted((a, b) => b.ms - a.ms)
      .slice(0, MOST)
      .map(({ what, ms }) => `${(ms / 1000).toFixed(1).padStart(7)} s  ${what}\n`)
      .join('')
  yield `\nWhat took longest, by files (their tests one after another):\n`
  yield lines([...files].map(([what, ms]) => ({ what, ms })))
  yield `\nand by tests:\n${lines(tests)}`
}
