import { pathText, type Mistake } from './mistakes.js'
import { exampleAt } from './schema-walk.js'
import { bytesIn, besideOf, textIn, type Files, isTooLong } from './files.js'
import { namedFiles } from './names.js'
import type { Source } from './source.js'
import { htmlOf } from '../text/markdown.js'
import { outlinesIn } from '../text/opml.js'
import { sourcesIn } from '../text/pictures.js'
import { sampleIn } from '../text/sample.js'
import { isUpload, uploadEndings } from '../upload.js'
import { forumMistakes } from './forum-checks.js'
import { planMistakes } from './plan-checks.js'
import { isGroup, listOf } from './plain-values.js'

type Path = readonly (string | number)[]

const easy = [
  'admin',
  'administrator',
  'root',
  'user',
  'test',
  'guest',
  'owner',
  'webmaster',
  'manager',
  'blog',
  'shop',
  'forum',
  'site',
  'info',
  'demo',
  'login',
]
const secretKey = /pass(?:word|phrase|wd)?$|^pw[d]?$|secret$/i
const notSecrets = new Set<unknown>(['made', 'stored', 'asked', null])

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '')

/** All groups of keys in the file, with their paths. */
function* groups(value: unknown, path: Path = []): Generator<[Record<string, unknown>, Path]> {
  if (isGroup(value)) {
    yield [value, path]
    for (const [key, inner] of Object.entries(value)) yield* groups(inner, [...path, key])
  } else if (Array.isArray(value)) {
    for (const [index, inner] of value.entries()) yield* groups(inner, [...path, index])
  }
}

/**
 * What no schema can see: checked on the plain values, so that it runs even where some types are wrong.
 * @param files the texts of the files that the baseline names
 */
export function crossChecks(values: unknown, source: Source, files: Files): Mistake[] {
  if (!isGroup(values)) return []
  const found: Mistake[] = []
  const add = (code: Mistake['code'], path: Path, what: string, expected: string, example = exampleAt(path)) =>
    found.push({ code, at: source.at(path), path: pathText(path), what, expected, example })

  for (const [group, path] of groups(values)) {
    for (const [key, value] of Object.entries(group)) {
      if (secretKey.test(key) && !notSecrets.has(value)) {
        add(
          'password-in-file',
          [...path, key],
          'a password must not stand in this file; it is not shown here',
          'made (the logins file keeps it)',
          'password: made',
        )
      }
    }
  }
  easyUserName(values, add)
  identities(values, add)
  namedOnes(values, files, add)
  contradictions(values, add)
  planMistakes(values, add)
  forumMistakes(values, add)
  return found
}

export type Add = (code: Mistake['code'], path: Path, what: string, expected: string, example?: string) => void

function easyUserName(values: Record<string, unknown>, add: Add): void {
  const { site, owner } = values
  const name = isGroup(owner) ? owner.username : undefined
  if (typeof name !== 'string') return
  const ofSite = isGroup(site)
    ? `${textOf(site.title)} ${textOf(site.address)
        .replace(/^https?:\/\//, '')
        .replace(/[:/].*/, '')}`
    : ''
  const words = new Set([
    ...easy,
    ...ofSite
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word.length > 2),
  ])
  const plain = name.toLowerCase().replace(/[^a-z]/g, '')
  if (words.has(name.toLowerCase()) || words.has(plain) || ofSite.toLowerCase().replace(/[^a-z]/g, '') === plain)
    add(
      'easy-user-name',
      ['owner', 'username'],
      'this user name is easy to guess',
      "a name that is neither usual (admin, root, …) nor the site's own",
    )
}

function identities(values: Record<string, unknown>, add: Add): void {
  for (const list of ['categories', 'pages', 'posts']) {
    const seen = new Map<string, string>()
    const renamed = new Map<string, Path>()
    let replacing = false
    const walk = (items: unknown, path: Path): void => {
      for (const [index, item] of listOf(items).entries()) {
        if (!isGroup(item)) continue
        const here = [...path, index]
        if (typeof item.slug === 'string') {
          const earlier = seen.get(item.slug)
          if (earlier)
            add(
              'two-of-one',
              [...here, 'slug'],
              `the same slug stands at ${earlier} already`,
              'a slug of its own for every item',
            )
          else seen.set(item.slug, pathText(here))
        }
        if (typeof item.was === 'string') renamed.set(item.was, [...here, 'was'])
        if (item.replaces === 'shipped') {
          if (replacing)
            add(
              'two-of-one',
              [...here, 'replaces'],
              'another item here replaces the shipped one already',
              'one at the most',
            )
          replacing = true
        }
        walk(item.under, [...here, 'under'])
      }
    }
    walk(values[list], [list])
    for (const [slug, path] of renamed)
      if (seen.has(slug))
        add(
          'contradiction',
          path,
          `that slug still belongs to ${seen.get(slug)}`,
          'a slug that no item of this file has',
        )
  }
}

/** Every file that is named has to be there, and to be what its key says. */
function namedOnes(values: Record<string, unknown>, files: Files, add: Add): void {
  for (const { name, path, is } of namedFiles(values)) {
    const text = is === 'picture' || is === 'archive' ? undefined : textIn(files, name)
    const wrong = (what: string, expected: string) => {
      add('wrong-file', path, what, expected)
    }
    if (is !== 'picture' && is !== 'archive' && isTooLong(files, name))
      wrong('this text is too long', '4 MiB at the most')
    else if (files[name] === undefined || (text === undefined && is !== 'picture' && is !== 'archive'))
      add(
        'missing-file',
        path,
        `this file is not there${is === 'picture' || is === 'archive' ? '' : ', or is no text'}`,
        'a file that exists, counted from the folder of the baseline',
      )
    else if (is === 'picture' && !isUpload(name)) wrong('this is no picture', `a file that ends in ${endings}`)
    else if (is === 'archive' && !isZip(bytesIn(files, name))) wrong('this is no archive', 'a zip file')
    else if (is === 'links' && !outlinesIn(text ?? '')) wrong('this is no list of links', 'an OPML file')
    else if (is === 'sample' && !sampleIn(text ?? '')) wrong('this is no sample', 'an RSS-based content export')
    else if (is === 'body')
      for (const source of sourcesIn(htmlOf(text ?? ''))) {
        const picture = besideOf(name, source)
        if (picture === undefined && /^\.\.?\//.test(source))
          wrong('this text shows a picture outside the folder of the baseline', 'one that lies in it')
        else if (picture !== undefined && (!bytesIn(files, picture) || !isUpload(picture)))
          wrong('this text shows a picture that is not there', `a file that ends in ${endings}, counted from the text`)
      }
  }
}

const endings = uploadEndings.join(', ')
const isZip = (bytes: Uint8Array | undefined): boolean => bytes?.[0] === 0x50 && bytes[1] === 0x4b

function contradictions(values: Record<string, unknown>, add: Add): void {
  if (!isGroup(values.gone)) return
  for (const [area, slugs] of Object.entries(values.gone)) {
    const planned = new Set([...groups(values[area])].map(([item]) => item.slug))
    for (const [index, slug] of listOf(slugs).entries())
      if (planned.has(slug))
        add(
          'contradiction',
          ['gone', area, index],
          'this item is wanted further down in the same file',
          'either gone or wanted',
        )
  }
}
