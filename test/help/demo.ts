import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { filesNamed, readBaseline, type Baseline } from 'unpack'
import { root } from './root.js'

export const demoFolder = join(root, 'demo/repair-cafe')
export const demoText = readFileSync(join(demoFolder, 'baseline.yaml'), 'utf8')

/** The demo's baseline for another address, changed as a test wants. */
export function demoBaseline(address: string, change: (text: string) => string = (text) => text): Baseline {
  const text = change(demoText.replace('http://127.0.0.1:4101/', address))
  const named = (files = {}) =>
    Object.fromEntries(filesNamed(text, files).map((name) => [name, new Uint8Array(readFileSync(join(demoFolder, name)))]))
  return readBaseline(text, named(named())).baseline
}
