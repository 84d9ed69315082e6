import type { ArchiveFile, PackageFacts } from '../package-facts.js'

/** Themes: folders with a `manifest.cfg` that has a part for a theme, and the rules by which it is laid over pages. */
export async function themesIn(files: readonly ArchiveFile[]): Promise<PackageFacts[]> {
  const found = await Promise.all(
    files
      .filter(({ path }) => /(?:^|\/)manifest\.cfg$/.test(path))
      .map(async (file): Promise<PackageFacts[]> => {
        const text = await file.text()
        const folder = file.path.replace(/\/?manifest\.cfg$/, '')
        const use = folder.split('/').at(-1) ?? ''
        if (use === '' || !/^\[theme\]/m.test(text)) return []
        return [{ folder, use, name: /^title\s*=\s*(.*)$/m.exec(text)?.[1] ?? use, version: '', wants: [] }]
      }),
  )
  return found.flat()
}
