import { fromBuffer, type Entry } from 'yauzl'
import type { Package } from './packages.js'

const MOST_BYTES = 32 * 1024 * 1024

/** The files of an archive, as text; undefined if it is none, or too much. */
function filesOf(bytes: Buffer): Promise<Map<string, string> | undefined> {
  return new Promise((resolve) => {
    const fail = () => {
      resolve(undefined)
    }
    fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) {
        fail()
        return
      }
      const files = new Map<string, string>()
      let total = 0
      zip.on('entry', (entry: Entry) => {
        total += entry.uncompressedSize
        if (total > MOST_BYTES || entry.fileName.endsWith('/')) {
          if (total > MOST_BYTES) fail()
          else zip.readEntry()
          return
        }
        zip.openReadStream(entry, (trouble, stream) => {
          if (trouble) {
            fail()
            return
          }
          const parts: Buffer[] = []
          stream.on('data', (part: Buffer) => parts.push(part))
          stream.on('error', fail)
          stream.on('end', () => {
            files.set(entry.fileName, Buffer.concat(parts).toString('utf8'))
            zip.readEntry()
          })
        })
      })
      zip.on('end', () => {
        resolve(files)
      })
      zip.on('error', fail)
      zip.readEntry()
    })
  })
}

interface Told {
  theme?: string
  addOn?: string
  version?: string
  parent?: string
  places?: string[]
  sidebars?: string[]
  css?: string
  footer?: string
  breaks?: boolean
}

/** The theme or add-on in an archive: one folder, whose `stand-in.json` says what it is. */
export async function packageIn(
  bytes: Buffer,
  kind: 'themes' | 'addOns',
): Promise<Omit<Package, 'id' | 'active' | 'automatic'> | undefined> {
  const files = await filesOf(bytes)
  const told = [...(files ?? [])].find(([path]) => /^[^/]+\/stand-in\.json$/.test(path))
  if (!files || !told) return undefined
  const name = told[0].split('/')[0] ?? ''
  try {
    const { theme, addOn, version = '0', css, ...rest } = JSON.parse(told[1]) as Told
    if ((kind === 'themes' ? theme : addOn) === undefined) return undefined
    return { ...rest, name, version, ...(css !== undefined && { css: files.get(`${name}/${css}`) ?? '' }) }
  } catch {
    return undefined
  }
}
