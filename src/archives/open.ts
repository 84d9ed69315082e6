import { fromBuffer, type Entry, type ZipFile } from 'yauzl'
import { UnpackError } from '../core/errors.js'

/** Limits that no honest theme or add-on comes near: an archive that grows without end must not fill the memory. */
const MOST = { files: 20_000, bytes: 256 * 1024 * 1024, depth: 3 }

/** A file in an archive that was opened. */
export interface PackedFile {
  path: string
  bytes(): Promise<Uint8Array>
}
/** An archive, or one that lies inside another. */
export interface OpenArchive {
  /** How to come to it: `bundle.zip`, `bundle.zip: theme/lantern.zip`. */
  place: string
  files: PackedFile[]
  /** It as a whole. */
  whole: Uint8Array
}

/** What is left of the limits while an archive and those inside it are opened: all of them together have one. */
interface Left {
  files: number
  bytes: number
}

/**
 * Opens an archive and those inside it, three deep at the most; the limits hold for all of them together.
 * @throws UnpackError `archive-broken`, `archive-too-large`
 */
export async function openArchive(
  place: string,
  whole: Uint8Array,
  depth = 0,
  left: Left = { files: MOST.files, bytes: MOST.bytes },
): Promise<OpenArchive[]> {
  const files = await filesOf(place, whole, left)
  const own: OpenArchive = { place, files, whole }
  if (depth >= MOST.depth) return [own]
  const inside = files.filter(({ path }) => /\.zip$/i.test(path))
  const deeper: OpenArchive[] = []
  for (const file of inside)
    deeper.push(...(await openArchive(`${place}: ${file.path}`, await file.bytes(), depth + 1, left)))
  return [own, ...deeper]
}

async function filesOf(place: string, whole: Uint8Array, left: Left): Promise<PackedFile[]> {
  const broken = () => UnpackError.of('archive-broken', { file: place })
  const zip = await new Promise<ZipFile>((resolve, reject) => {
    fromBuffer(
      Buffer.from(whole.buffer, whole.byteOffset, whole.byteLength),
      { lazyEntries: true, strictFileNames: false },
      (error, opened) => {
        if (error) reject(broken())
        else resolve(opened)
      },
    )
  })
  const files: PackedFile[] = []
  return new Promise((resolve, reject) => {
    zip.on('entry', (entry: Entry) => {
      const name = entry.fileName
      left.files -= 1
      left.bytes -= entry.uncompressedSize
      if (left.files < 0 || left.bytes < 0)
        reject(UnpackError.of('archive-too-large', { file: place, most: '256 MiB in 20,000 files' }))
      else {
        // folders, and what Apple's archiver leaves beside files
        if (!name.endsWith('/') && !name.startsWith('__MACOSX/'))
          files.push({ path: name, bytes: () => bytesOf(zip, entry, broken) })
        zip.readEntry()
      }
    })
    zip.on('end', () => {
      resolve(files)
    })
    zip.on('error', () => {
      reject(broken())
    })
    zip.readEntry()
  })
}

const bytesOf = (zip: ZipFile, entry: Entry, broken: () => UnpackError): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    zip.openReadStream(entry, (error, stream) => {
      if (error) {
        reject(broken())
        return
      }
      const parts: Buffer[] = []
      // the reader itself refuses a file that is longer than it says
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('end', () => {
        resolve(Buffer.concat(parts))
      })
      stream.on('error', () => {
        reject(broken())
      })
    })
  })
