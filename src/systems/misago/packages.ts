import { z } from 'zod'
import type { ArchiveFile, PackageFacts } from '../package-facts.js'

const manifest = z.object({ name: z.string(), css: z.array(z.unknown()), version: z.string().nullish() })

/** Themes: folders with a `manifest.json` that names their style sheets. The system itself shows no version. */
export async function themesIn(files: readonly ArchiveFile[]): Promise<PackageFacts[]> {
  const found = await Promise.all(
    files
      .filter(({ path }) => /(?:^|\/)manifest\.json$/.test(path))
      .map(async (file): Promise<PackageFacts[]> => {
        const read = manifest.safeParse(parsed(await file.text())).data
        const folder = file.path.replace(/\/?manifest\.json$/, '')
        const use = folder.split('/').at(-1) ?? ''
        return read && use !== '' ? [{ folder, use, name: read.name, version: '', wants: [] }] : []
      }),
  )
  return found.flat()
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
