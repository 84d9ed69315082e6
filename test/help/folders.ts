import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { after } from 'node:test'

/** A folder for a test file, gone when it ends. */
export function folder(): string {
  const made = mkdtempSync(join(tmpdir(), 'unpack-test-'))
  after(() => {
    rmSync(made, { recursive: true, force: true })
  })
  return made
}
