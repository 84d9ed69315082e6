import { flatCategories } from '../areas/categories.js'
import { flatPages } from '../areas/pages.js'
import { sampleIn } from '../text/sample.js'
import { outlinesIn } from '../text/opml.js'
import { htmlOf } from '../text/markdown.js'
import { withSources, sourcesIn } from '../text/pictures.js'
import { uploadOf, uploadSource, type Upload } from '../upload.js'
import type { Baseline } from './schema.js'
import { unescaped } from '../text/percent.js'

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
  if (written.site.icon !== undefined) upload(written.site.icon)
  const bodyFiles = [...flatPages(written), ...(written.posts ?? [])].flatMap(({ body }) => body ?? [])
  const bodies = Object.fromEntries(
    bodyFiles.map((name) => [
      name,
      withSources(htmlOf(textIn(files, name) ?? ''), (source) => upload(besideOf(name, source) ?? '')),
    ]),
  )
  const { samples, links } = written
  const sampleFile = samples === 'none' || samples === 'shipped' ? undefined : samples
  const sample = sampleFile === undefined ? undefined : sampleIn(textIn(files, sampleFile) ?? '')
  // an export names pictures by the addresses they had: those that lie beside it are ours
  const beside = (source: string) => {
    const name =
      source
        .split('/')
        .at(-1)
        ?.replace(/-\d+x\d+(?=\.\w+$)/, '') ?? ''
    return sample?.pictures.includes(name) ? upload(besideOf(sampleFile ?? '', name) ?? '') : undefined
  }
  const entry = <T extends { body?: string }>(item: T): T => ({ ...item, body: withSources(item.body ?? '', beside) })
  const planned = (list: readonly { slug: string }[]) => new Set(list.map(({ slug }) => slug))
  const [ownPages, ownPosts] = [planned(flatPages(written)), planned(written.posts ?? [])]
  return {
    ...written,
    bodies,
    outlines: links === undefined ? {} : { [links.from]: outlinesIn(textIn(files, links.from) ?? '') ?? [] },
    ...(sample && {
      // what the baseline says itself comes first
      sample: {
        ...sample,
        pages: sample.pages.filter(({ slug }) => !ownPages.has(slug)).map(entry),
        posts: sample.posts.filter(({ slug }) => !ownPosts.has(slug)).map(entry),
        categories: sample.categories.filter(({ slug }) => !planned(flatCategories(written)).has(slug)),
      },
    }),
    uploads,
    archives: Object.fromEntries(
      [written.theme, ...(written.addOns ?? [])].flatMap((one) => {
        const bytes = one?.from === undefined ? undefined : bytesIn(files, one.from)
        return bytes && one?.from !== undefined ? [[one.from, bytes]] : []
      }),
    ),
    packages: { theme: {}, addOns: {} },
  }
}
