import { readFileSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { addressText, parseAddress } from '../core/address.js'
import { filesNamed, readBaseline } from '../core/baseline/read.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'

const MOST = { bytes: 4 * 1024 * 1024, text: '4 MiB' }

/**
 * Reads a baseline and the files beside it.
 * @param at another address for the same plan
 */
export function baselineFile(file: string, at?: string): Baseline {
  const text = readText(file)
  if (text === undefined) throw UnpackError.of('file-missing', { file })
  const names = filesNamed(text).filter((name) => !name.split(/[/\\]/).includes('..'))
  const files = names.flatMap((name) => {
    const body = readText(join(dirname(file), name))
    return body === undefined ? [] : [[name, body] as const]
  })
  const { baseline } = readBaseline(text, Object.fromEntries(files), file)
  if (at === undefined) return baseline
  const address = parseAddress(at)
  if (!address) throw UnpackError.of('address-wrong', { address: at })
  return { ...baseline, site: { ...baseline.site, address: addressText(address) } }
}

function readText(file: string): string | undefined {
  try {
    if (statSync(file).size > MOST.bytes) throw UnpackError.of('file-too-large', { file, most: MOST.text })
    return new TextDecoder('utf-8', { fatal: true }).decode(readFileSync(file))
  } catch (error) {
    if (error instanceof UnpackError) throw error
    return undefined
  }
}
