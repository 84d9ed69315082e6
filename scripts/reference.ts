import { mkdirSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Application, TSConfigReader, TypeDocReader } from 'typedoc'
import { root } from '../test/help/root.js'

/** What a program calls first: these head the contents. */
const CALLS = ['survey', 'readBaseline', 'baselineFile', 'compareSite', 'settle', 'chooseAll', 'confirm', 'undo']

/** The reference of everything that a program can import, made from the code's own comments: by file, as Markdown. */
export async function reference(): Promise<Record<string, string>> {
  const out = mkdtempSync(join(tmpdir(), 'unpack-reference-'))
  try {
    const options = join(root, 'typedoc.json')
    const app = await Application.bootstrapWithPlugins({ options, out }, [new TypeDocReader(), new TSConfigReader()])
    const project = await app.convert()
    if (!project) throw new Error('the reference could not be made: see what is printed above')
    await app.generateOutputs(project)
    // the tool tells files apart from each other without regard to case
    renameSync(join(out, 'unpack/systems-1.md'), join(out, 'unpack/systems.md'))
    const files = readdirSync(out, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.md'))
    return Object.fromEntries(
      files.sort().map((file) => {
        const text = readFileSync(join(out, file), 'utf8').replaceAll('systems-1.md', 'systems.md')
        return [file, file === 'README.md' ? text : withContents(text)]
      }),
    )
  } finally {
    rmSync(out, { recursive: true })
  }
}

/** A file with links to all that it holds, below its first lines. */
function withContents(text: string): string {
  const [head = '', ...groups] = text.split(/^(?=## )/m)
  const linked = (name: string) => `[${name.replace('()', '')}](#${name.toLowerCase().replace(/[^\w-]/g, '')})`
  const contents = groups.map((group) => {
    const [, title = ''] = /^## (.*)/.exec(group) ?? []
    const names = [...group.matchAll(/^### (.*)/gm)].map(([, name = '']) => name)
    return names.length === 0 ? '' : `**${title}**: ${names.map(linked).join(' · ')}\n`
  })
  const calls = CALLS.filter((name) => text.includes(`\n### ${name}()\n`))
  const first = calls.length === 0 ? '' : `**Begin with**: ${calls.map(linked).join(' · ')}\n\n`
  return `${head}${first}${contents.filter((line) => line !== '').join('\n')}\n${groups.join('')}`
}

/** Writes the reference into the docs, in place of the one that is there. */
export async function writeReference(): Promise<number> {
  const files = await reference()
  rmSync(join(root, 'docs/reference'), { recursive: true, force: true })
  mkdirSync(join(root, 'docs/reference/unpack'), { recursive: true })
  for (const [file, text] of Object.entries(files)) writeFileSync(join(root, 'docs/reference', file), text)
  return Object.keys(files).length
}
