import type { ArchiveFile, PackageFacts } from 'unpack'
import { z } from 'zod'

const told = z.looseObject({
  theme: z.string().optional(),
  addOn: z.string().optional(),
  version: z.string().default('0'),
  parent: z.string().optional(),
  wants: z.array(z.string()).default([]),
})

/** Folders with a `stand-in.json` that says what they are. */
const found =
  (kind: 'theme' | 'addOn') =>
  async (files: readonly ArchiveFile[]): Promise<PackageFacts[]> => {
    const all = await Promise.all(
      files
        .filter(({ path }) => /(^|\/)stand-in\.json$/.test(path))
        .map(async (file) => {
          const folder = file.path.replace(/\/?stand-in\.json$/, '')
          const read = told.safeParse(parsed(await file.text())).data
          const name = read?.[kind]
          if (!read || name === undefined) return []
          const { version, parent, wants } = read
          return [{ folder, use: folder.split('/').at(-1) ?? '', name, version, parent, wants }]
        }),
    )
    return all.flat()
  }
export const themesIn = found('theme')
export const addOnsIn = found('addOn')

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
