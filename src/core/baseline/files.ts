import { anyItem, areaOf } from '../areas/index.js'
import { sampleIn, type Sample } from '../text/sample.js'
import { outlinesIn } from '../text/opml.js'
import { htmlOf } from '../text/markdown.js'
import { withSources, sourcesIn } from '../text/pictures.js'
import { uploadOf, uploadSource, type Upload } from '../upload.js'
import { nameIn } from '../ref.js'
import { unescaped } from '../text/percent.js'
import { namedFiles } from './names.js'
import type { NamedFile } from './named-files.js'
import type { Baseline } from './schema.js'

/** The files beside a baseline by the names that it uses: texts, or bytes. */
export type Files = Readonly<Record<string, string | Uint8Array>>

/** The largest text that is read: more than anybody writes, and less than takes minutes. */
const MOST_TEXT = 4 * 1024 * 1024
/** Whether a file is too large to be a text of somebody's. */
export const isTooLong = (files: Files, name: string): boolean => (files[name]?.length ?? 0) > MOST_TEXT

/** A file's text; undefined if there is none, it is no UTF-8, or far too long. */
export function textIn(files: Files, name: string): string | undefined {
  const file = files[name]
  if (isTooLong(files, name)) return undefined
  if (file === undefined || typeof file === 'string') return file
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(file)
  } catch {
    return undefined
  }
}

/** A file's bytes. */
export const bytesIn = (files: Files, name: string): Uint8Array | undefined => {
  const file = files[name]
  return typeof file === 'string' ? new TextEncoder().encode(file) : file
}

/** Where a relative address in a file leads, from the folder of the baseline on; undefined if it leads out of it. */
export function besideOf(file: string, address: string): string | undefined {
  if (/^(?:[a-z][a-z0-9+.-]*:|[/#?])/i.test(address) || address === '') return undefined
  const path = file.split('/').slice(0, -1)
  for (const written of address.split('/')) {
    const step = unescaped(written)
    if (/[/\\\0]/.test(step)) return undefined
    if (step === '..') {
      if (path.pop() === undefined) return undefined
    } else if (step !== '.' && step !== '') path.push(step)
  }
  return path.join('/')
}

/** The files that bodies and samples name in their turn: the pictures they show. */
export function picturesNamed(bodies: readonly string[], sample: string | undefined, files: Files): string[] {
  const inBodies = bodies.flatMap((name) =>
    sourcesIn(htmlOf(textIn(files, name) ?? '')).flatMap((source) => besideOf(name, source) ?? []),
  )
  const inSample = sample === undefined ? [] : (sampleIn(textIn(files, sample) ?? '')?.pictures ?? [])
  return [...new Set([...inBodies, ...inSample.flatMap((name) => besideOf(sample ?? '', name) ?? [])])]
}

type Written = Omit<Baseline, 'bodies' | 'uploads' | 'outlines' | 'sample' | 'archives' | 'packages'>

/** Puts what the named files hold to a baseline. */
export function withFiles(written: Written, files: Files): Baseline {
  const uploads: Record<string, Upload> = {}
  const upload = (name: string): string | undefined => {
    const bytes = bytesIn(files, name)
    return bytes && uploadSource((uploads[name] ??= uploadOf(name, bytes)))
  }
  const named = namedFiles(written)
  const of = <T>(is: NamedFile['is'], read: (name: string) => T | undefined): Record<string, T> =>
    Object.fromEntries(
      named
        .filter((file) => file.is === is)
        .flatMap(({ name }): [string, T][] => {
          const held = read(name)
          return held === undefined ? [] : [[name, held]]
        }),
    )
  of('picture', upload)
  const pictures = (name: string) => (source: string) => upload(besideOf(name, source) ?? '')
  return {
    ...written,
    bodies: of('body', (name) => withSources(htmlOf(textIn(files, name) ?? ''), pictures(name))),
    outlines: of('links', (name) => outlinesIn(textIn(files, name) ?? '') ?? []),
    ...Object.values(of('sample', (name) => ({ sample: sampleOf(name, written, files, upload) })))[0],
    uploads,
    archives: of('archive', (name) => bytesIn(files, name)),
    packages: {},
  }
}

/** What a sample brings beside what the baseline says itself, which comes first; its pictures are ours where they lie beside it. */
function sampleOf(
  file: string,
  written: Written,
  files: Files,
  upload: (name: string) => string | undefined,
): Sample | undefined {
  const sample = sampleIn(textIn(files, file) ?? '')
  if (!sample) return undefined
  // an export names pictures by the addresses they had
  const beside = (source: string) => {
    const name =
      source
        .split('/')
        .at(-1)
        ?.replace(/-\d+x\d+(?=\.\w+$)/, '') ?? ''
    return sample.pictures.includes(name) ? upload(besideOf(file, name) ?? '') : undefined
  }
  const more = <T extends { slug: string }>(list: readonly T[], area: 'categories' | 'pages' | 'posts'): T[] => {
    const own = new Set(
      areaOf(area)
        .named?.(written)
        .map(({ name }) => name),
    )
    return list.filter((item) => !own.has(nameIn(areaOf(area).ref(anyItem(item)))))
  }
  const entry = <T extends { body?: string }>(item: T): T => ({ ...item, body: withSources(item.body ?? '', beside) })
  return {
    ...sample,
    pages: more(sample.pages, 'pages').map(entry),
    posts: more(sample.posts, 'posts').map(entry),
    categories: more(sample.categories, 'categories'),
  }
}
