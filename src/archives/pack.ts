import { ZipFile } from 'yazl'
import type { PackedFile } from './open.js'

/** Packs the files of one folder of an archive as an archive of their own, in a folder of the given name. */
export async function packFolder(files: readonly PackedFile[], folder: string, name: string): Promise<Uint8Array> {
  const zip = new ZipFile()
  const inside = folder === '' ? files : files.filter(({ path }) => path.startsWith(`${folder}/`))
  // a fixed date: the same files always make the same archive
  const options = { mtime: new Date('2026-01-01T00:00:00Z'), mode: 0o100644 }
  for (const file of inside)
    zip.addBuffer(
      Buffer.from(await file.bytes()),
      `${name}/${folder === '' ? file.path : file.path.slice(folder.length + 1)}`,
      options,
    )
  zip.end()
  const parts: Buffer[] = []
  for await (const part of zip.outputStream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}
