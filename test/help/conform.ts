import assert from 'node:assert/strict'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import type { System } from 'unpack'
import { conformance, type Provided } from 'unpack/conformance'
import { root } from './root.js'

export interface Proven {
  system: string
  name: string
  version: string
  passed: string[]
  skipped: string[]
}

export const provenFile = (id: string): string => join(root, `docs/proven/${id}.json`)

/**
 * Runs the suite on a system and holds what passed and what was skipped against the checked-in list, so that no ability
 * vanishes quietly. `UNPACK_WRITE_PROVEN=1` writes the list anew.
 */
export function conform(system: System, version: string, provide: () => Promise<Provided>): void {
  const passed: string[] = []
  const skipped: string[] = []
  for (const { name, lacks, run } of conformance(system, provide)) {
    if (lacks.length > 0) skipped.push(`${name} (${lacks.join(', ')})`)
    test(name, { skip: lacks.length > 0 && lacks.join(', ') }, async () => {
      await run()
      passed.push(name)
    })
  }
  test('the cases that passed are the ones that are checked in', () => {
    const proven: Proven = { system: system.id, name: system.name, version, passed, skipped }
    const file = provenFile(system.id)
    if (process.env.UNPACK_WRITE_PROVEN === '1') writeFileSync(file, `${JSON.stringify(proven, null, 2)}\n`)
    assert.ok(existsSync(file), 'run the conformance tests with UNPACK_WRITE_PROVEN=1')
    assert.deepEqual(proven, JSON.parse(readFileSync(file, 'utf8')))
  })
}
