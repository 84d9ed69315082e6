import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { filesNamed, readBaseline, type Baseline } from 'unpack'

export const demoFolder = fileURLToPath(new URL('../../demo/repair-cafe/', import.meta.url))
export const demoText = readFileSync(join(demoFolder, 'baseline.yaml'), 'utf8')

/** The demo's baseline for another address, changed as a test wants. */
export function demoBaseline(address: string, change: (text: string) => string = (text) => text): Baseline {
  const text = change(demoText.replace('http://127.0.0.1:4101/', address))
  const files = Object.fromEntries(filesNamed(text).map((name) => [name, readFileSync(join(demoFolder, name), 'utf8')]))
  return readBaseline(text, files).baseline
}
