import assert from 'node:assert/strict'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { compareVersions } from 'compare-versions'
import type { System } from 'unpack'
import { conformance, type Provided } from 'unpack/conformance'
import { lineOf } from '../../src/systems/lines.js'
import { root } from './root.js'

export interface Proven {
  system: string
  name: string
  /** The versions of the line that passed. */
  versions: string[]
  passed: string[]
  skipped: string[]
}

/** One file for each system and line of versions. */
const provenFile = (id: string, version: string): string => join(root, `docs/proven/${id}-${lineOf(version)}.json`)
const provenIn = (file: string): Proven | undefined =>
  existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Proven) : undefined

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
    const file = provenFile(system.id, version)
    const versions = [...new Set([...(provenIn(file)?.versions ?? []), version])].sort(compareVersions)
    const proven: Proven = { system: system.id, name: system.name, versions, passed, skipped }
    if (process.env.UNPACK_WRITE_PROVEN === '1') writeFileSync(file, `${JSON.stringify(proven, null, 2)}\n`)
    assert.deepEqual(proven, provenIn(file), 'docs/proven: UNPACK_WRITE_PROVEN=1 writes it')
  })
}
