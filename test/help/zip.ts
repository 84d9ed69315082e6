import { ZipFile } from 'yazl'

/** An archive with these files. */
export async function zipOf(files: Readonly<Record<string, string | Uint8Array>>): Promise<Uint8Array> {
  const zip = new ZipFile()
  for (const [path, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content as string), path)
  zip.end()
  const parts: Buffer[] = []
  for await (const part of zip.outputStream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}

/** A theme of the stand-in blog, as an archive. */
export const standInTheme = (name: string, told: object = {}): Promise<Uint8Array> =>
  zipOf({ [`${name}/stand-in.json`]: JSON.stringify({ theme: name, version: '1.0', ...told }) })
/** An add-on of it. */
export const standInAddOn = (name: string, told: object = {}): Promise<Uint8Array> =>
  zipOf({ [`${name}/stand-in.json`]: JSON.stringify({ addOn: name, version: '1.0', ...told }) })
