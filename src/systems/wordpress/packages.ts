import type { ArchiveFile, PackageFacts } from '../package-facts.js'

/** A line in the head of a stylesheet or of an add-on's main file. */
const header = (text: string, name: string): string =>
  (new RegExp(`^(?:[ \\t]*<\\?php)?[ \\t/*#@]*${name}:(.*)$`, 'mi').exec(text.slice(0, 8192))?.[1] ?? '')
    .replace(/\*\/.*/, '')
    .trim()

const folderOf = (path: string): string => path.replace(/\/?[^/]*$/, '')
const nameOf = (folder: string): string => folder.split('/').at(-1) ?? ''
const wantedBy = (text: string): string[] =>
  header(text, 'Requires Plugins')
    .split(',')
    .map((name) => name.trim())
    .filter((name) => name !== '')

/** A theme is a folder with a stylesheet whose head names it. */
export async function themesIn(files: readonly ArchiveFile[]): Promise<PackageFacts[]> {
  const found: PackageFacts[] = []
  for (const file of files.filter(({ path }) => /(^|\/)style\.css$/.test(path))) {
    const text = await file.text()
    const folder = folderOf(file.path)
    const name = header(text, 'Theme Name')
    if (name === '') continue
    found.push({
      folder,
      use: nameOf(folder),
      name,
      version: header(text, 'Version'),
      parent: header(text, 'Template') || undefined,
      wants: wantedBy(text),
      blocks: files.some(({ path }) =>
        ['templates', 'block-templates'].some(
          (part) => path === `${folder === '' ? '' : `${folder}/`}${part}/index.html`,
        ),
      ),
    })
  }
  return found
}

/** An add-on is a folder with a program whose head names it. */
export async function addOnsIn(files: readonly ArchiveFile[]): Promise<PackageFacts[]> {
  const found: PackageFacts[] = []
  for (const file of files.filter(({ path }) => /\.php$/.test(path))) {
    const text = await file.text()
    const folder = folderOf(file.path)
    const name = header(text, 'Plugin Name')
    if (name === '' || found.some((one) => one.folder === folder)) continue
    found.push({ folder, use: nameOf(folder), name, version: header(text, 'Version'), wants: wantedBy(text) })
  }
  return found
}
