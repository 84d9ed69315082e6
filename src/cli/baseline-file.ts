import { readFileSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { addressText, parseAddress } from '../core/address.js'
import type { Files } from '../core/baseline/files.js'
import { filesNamed, readBaseline } from '../core/baseline/read.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'

const MOST = { bytes: 4 * 1024 * 1024, text: '4 MiB' }
const MOST_BYTES = { bytes: 256 * 1024 * 1024, text: '256 MiB' }

/**
 * Reads a baseline and the files beside it.
 * @param at another address for the same plan
 */
export function baselineFile(file: string, at?: string): Baseline {
  const bytes = readBytes(file, MOST)
  const text = bytes && decoded(bytes)
  if (text === undefined) throw UnpackError.of('file-missing', { file })
  const { baseline } = readBaseline(text, filesBeside(text, dirname(file)), file)
  if (at === undefined) return baseline
  const address = parseAddress(at)
  if (!address) throw UnpackError.of('address-wrong', { address: at })
  return { ...baseline, site: { ...baseline.site, address: addressText(address), reachedAt: undefined } }
}

/** The files that a baseline names, and those that they name. */
export function filesBeside(text: string, folder: string): Files {
  const files: Record<string, Uint8Array> = {}
  const read = (names: readonly string[]) => {
    for (const name of names) {
      if (name in files || name.split(/[/\\]/).includes('..')) continue
      const bytes = readBytes(join(folder, name), MOST_BYTES)
      if (bytes) files[name] = bytes
    }
  }
  read(filesNamed(text))
  read(filesNamed(text, files))
  return files
}

function readBytes(file: string, most: { bytes: number; text: string }): Uint8Array | undefined {
  try {
    if (statSync(file).size > most.bytes) throw UnpackError.of('file-too-large', { file, most: most.text })
    return readFileSync(file)
  } catch (error) {
    if (error instanceof UnpackError) throw error
    return undefined
  }
}

function decoded(bytes: Uint8Array): string | undefined {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return undefined
  }
}
