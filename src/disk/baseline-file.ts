import { readFileSync, realpathSync, statSync } from 'node:fs'
import { dirname, join, relative, sep } from 'node:path'
import { addressText, parseAddress } from '../core/address.js'
import type { Files } from '../core/baseline/files.js'
import { filesNamed, readBaseline } from '../core/baseline/read.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import { isUpload } from '../core/upload.js'
import { fileTrouble } from './trouble.js'

const MOST_TEXT = { bytes: 4 * 1024 * 1024, text: '4 MiB' }
const MOST_BYTES = { bytes: 256 * 1024 * 1024, text: '256 MiB' }
/** Pictures and archives may be large; everything else that a baseline names is a text. */
const mostOf = (name: string) => (isUpload(name) || /\.zip$/i.test(name) ? MOST_BYTES : MOST_TEXT)

/**
 * Reads a baseline and the files beside it, none of which may lie outside its folder.
 * @param file the baseline's file, in YAML 1.2 and UTF-8
 * @param at another address for the same plan
 * @returns the baseline, with what its files hold
 * @throws UnpackError `file-missing`, `file-not-utf8`, `file-outside`, `file-too-large`, `baseline-wrong` with the first hundred mistakes
 * @example await settle(baselineFile('sites/repair-cafe/baseline.yaml'), { logins })
 */
export function baselineFile(file: string, at?: string): Baseline {
  const bytes = readBytes(file, MOST_TEXT)
  if (!bytes) throw UnpackError.of('file-missing', { file })
  const text = decoded(bytes, file)
  const { baseline } = readBaseline(text, filesBeside(text, dirname(file)), file)
  if (at === undefined) return baseline
  const address = parseAddress(at)
  if (!address) throw UnpackError.of('address-wrong', { address: at })
  return { ...baseline, site: { ...baseline.site, address: addressText(address), reachedAt: undefined } }
}

/** The files that a baseline names, and those that they name. */
export function filesBeside(text: string, folder: string): Files {
  const files: Record<string, Uint8Array> = {}
  const read = (names: readonly string[]): boolean => {
    const before = Object.keys(files).length
    for (const name of names) {
      if (name in files || name.split(/[/\\]/).includes('..')) continue
      const bytes = readBytes(join(folder, name), mostOf(name), folder)
      if (bytes) files[name] = bytes
    }
    return Object.keys(files).length > before
  }
  // tables name texts, and texts name pictures
  while (read(filesNamed(text, files)));
  return files
}

/**
 * A file's bytes; undefined where there is none.
 * @param within the folder that it may not lead out of, by a link either
 */
function readBytes(file: string, most: { bytes: number; text: string }, within?: string): Uint8Array | undefined {
  try {
    const real = realpathSync(file)
    if (within !== undefined && relative(realpathSync(within), real).split(sep)[0] === '..')
      throw UnpackError.of('file-outside', { file })
    const { size, isFile } = factsOf(real)
    if (!isFile) throw UnpackError.of('file-no-file', { file })
    if (size > most.bytes) throw UnpackError.of('file-too-large', { file, most: most.text })
    return readFileSync(real)
  } catch (error) {
    if (error instanceof UnpackError) throw error
    if (['ENOENT', 'ENOTDIR', 'ERR_INVALID_ARG_VALUE'].includes((error as { code?: string }).code ?? ''))
      return undefined
    throw fileTrouble(error, file)
  }
}

const factsOf = (file: string): { size: number; isFile: boolean } => {
  const facts = statSync(file)
  return { size: facts.size, isFile: facts.isFile() }
}

/** The text in UTF-8; a file in another encoding is told as such, since half of it would read well. */
function decoded(bytes: Uint8Array, file: string): string {
  const [first, second] = bytes
  if ((first === 0xff && second === 0xfe) || (first === 0xfe && second === 0xff) || (first !== 0 && second === 0))
    throw UnpackError.of('file-not-utf8', { file, is: 'UTF-16' })
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    throw UnpackError.of('file-not-utf8', { file, is: 'another encoding, such as Latin-1' })
  }
}
