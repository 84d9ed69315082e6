import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { latinSlugOf } from './text/slug-of.js'

/** A file that goes to the site's uploads. */
export interface Upload {
  /** Its name there, without ending: what it is called here, and eight digits of its content's SHA-256. */
  name: string
  /** Its name there, with ending. */
  file: string
  /** Its media type (RFC 6838). */
  type: string
  bytes: Uint8Array
}

const types: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
  pdf: 'application/pdf',
}
/** The endings of files that can go to a site's uploads. */
export const uploadEndings: readonly string[] = Object.keys(types)

const ending = (file: string): string => (/\.([^./]+)$/.exec(file)?.[1] ?? '').toLowerCase()

/**
 * Whether a file's name says that it can go to a site's uploads.
 * @example isUpload('photos/tide.jpg') // true
 */
export const isUpload = (file: string): boolean => uploadEndings.includes(ending(file))

/**
 * A file as it goes to the site: a name tells its content, so that none goes there twice.
 * @example uploadOf('photos/tide.jpg', bytes).name // a name that ends in eight digits of its content
 */
export function uploadOf(file: string, bytes: Uint8Array): Upload {
  const base = latinSlugOf((file.split('/').at(-1) ?? file).replace(/\.[^.]*$/, '')) || 'file'
  const name = `${base}-${bytesToHex(sha256(bytes)).slice(0, 8)}`
  const tail = ending(file)
  return { name, file: `${name}.${tail}`, type: types[tail] ?? 'application/octet-stream', bytes }
}

/**
 * How a body names an upload before the site has given it an address.
 * @example uploadSource({ name: 'tide-1f2e3d4c.jpg' }) // 'unpack:media/tide-1f2e3d4c.jpg'
 */
export const uploadSource = ({ name }: Pick<Upload, 'name'>): string => `unpack:media/${name}`

/** The name of one of our uploads in an address, whatever size of it that leads to. */
export const uploadIn = (source: string): string | undefined =>
  /^unpack:media\/(.+)$/.exec(source)?.[1] ??
  /\/([^/?#]+-[0-9a-f]{8})(?:-\d+x\d+|-scaled)?\.[a-z]{3,4}$/.exec(source)?.[1]
