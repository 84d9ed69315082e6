import { areaNames, areaOf } from '../areas/index.js'
import { fileMistakes } from './file-checks.js'
import type { Files } from './files.js'
import { MOST_MISTAKES, pathText } from './mistakes.js'
import type { AddMistake, Mistake } from './mistake.js'
import { isGroup, listOf, type NamedItem, type Path, type PlainGroup } from './plain-values.js'
import { exampleAt } from './schema-walk.js'
import type { Source } from './source.js'

const secretKey = /pass(?:word|phrase|wd)?$|^pw[d]?$|secret$/i
const notSecrets = new Set<unknown>(['made', 'stored', 'asked', null])

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
 * @returns the first hundred mistakes, and how many more there are
 */
export function crossChecks(values: unknown, source: Source, files: Files): { found: Mistake[]; more: number } {
  const found: Mistake[] = []
  let more = 0
  if (!isGroup(values)) return { found, more }
  const add: AddMistake = (code, path, what, expected, example) => {
    // finding places takes time, and a table may have a hundred thousand mistakes
    if (found.length >= MOST_MISTAKES) more += 1
    else
      found.push({
        code,
        at: source.at(path),
        path: pathText(path),
        what,
        expected,
        example: example ?? exampleAt(path),
      })
  }
  passwords(values, add)
  fileMistakes(values, files, add)
  for (const name of areaNames) {
    const area = areaOf(name)
    const named = area.named?.(values) ?? []
    once(named, add)
    wantedAndGone(named, values, area.key ?? name, add)
    area.mistakes?.(values, add)
  }
  if (values.samples === 'shipped' && values.shipped === 'remove')
    add('contradiction', ['samples'], '`shipped: remove` takes the same content away', 'one or the other')
  return { found, more }
}

function passwords(values: PlainGroup, add: AddMistake): void {
  for (const [group, path] of groups(values))
    for (const [key, value] of Object.entries(group))
      if (secretKey.test(key) && !notSecrets.has(value))
        add(
          'password-in-file',
          [...path, key],
          'a password must not stand in this file; it is not shown here',
          'made (the logins file keeps it)',
          'password: made',
        )
}

/** Every name stands in the file once, one item at the most takes over what shipped, and no name is left and kept at once. */
function once(named: readonly NamedItem[], add: AddMistake): void {
  const seen = new Map<string, string>()
  let replacing = false
  for (const { name, path, replaces } of named) {
    const above = path.slice(0, -1)
    const own = path.at(-1)
    const called = own === 'slug' ? 'slug' : own === 'sku' ? 'SKU' : 'name'
    const key = name.toLowerCase()
    const earlier = seen.get(key)
    if (earlier === undefined) seen.set(key, pathText(above))
    else
      add(
        'two-of-one',
        path,
        `the same ${called} stands at ${earlier} already`,
        `a ${called} of its own for every item`,
      )
    if (!replaces) continue
    if (replacing)
      add('two-of-one', [...above, 'replaces'], 'another item here replaces the shipped one already', 'one at the most')
    replacing = true
  }
  for (const { was, path } of named) {
    const holder = was && seen.get(was.toLowerCase())
    if (holder)
      add(
        'contradiction',
        [...path.slice(0, -1), 'was'],
        `that name still belongs to ${holder}`,
        'a name that no item of this file has',
      )
  }
}

function wantedAndGone(named: readonly NamedItem[], { gone }: PlainGroup, key: string, add: AddMistake): void {
  const wanted = new Set(named.map(({ name }) => name))
  for (const [index, name] of listOf(isGroup(gone) ? gone[key] : undefined).entries())
    if (typeof name === 'string' && wanted.has(name))
      add(
        'contradiction',
        ['gone', key, index],
        'this is wanted further down in the same file',
        'either gone or wanted',
      )
}
