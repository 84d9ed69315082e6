import { closest, distance } from 'fastest-levenshtein'
import type { z } from 'zod'
import { exampleAt, expectedAt, keysAt } from './schema-walk.js'
import type { Mistake } from './mistake.js'
import type { Source } from './source.js'

/** Parts of the file whose keys are its owner's own words: a secret may have slipped into one. */
const ownWords = ['owner', 'menus', 'sidebars']
const usualPlaces = ['main', 'footer']

/** A key is only repeated where it can't be a secret that slipped to the wrong place: below a key that is not known, none is. */
const isSafe = (path: readonly PropertyKey[], key: string): boolean =>
  /^[A-Za-z]{1,20}$/.test(key) && !ownWords.includes(String(path[0])) && path.every((_, index) => isKnown(path, index))

/** Whether a step of a path is one that the format knows at its place. */
const isKnown = (path: readonly PropertyKey[], index: number): boolean => {
  const step = path[index]
  const above = path.slice(0, index)
  if (typeof step === 'number' || keysAt(above).includes(String(step))) return true
  return index === 1 && ownWords.includes(String(above[0])) && usualPlaces.includes(String(step))
}

/** `site.timezone`, `pages[1].slug`; a key that the format does not know is not repeated where it may be a secret. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path
    .map((step, index) => {
      if (typeof step === 'number') return `[${step}]`
      const shown = isKnown(path, index) || isSafe(path.slice(0, index), String(step)) ? String(step) : '…'
      return index > 0 ? `.${shown}` : shown
    })
    .join('')

/** Mistakes of one sort that are told; more of them help nobody. */
const MOST = 100

const unknownKey = (source: Source, path: readonly PropertyKey[], key: string): Mistake => {
  const known = keysAt(path)
  const near = known.length > 0 ? closest(key, known) : undefined
  const meant =
    near !== undefined && distance(key.toLowerCase(), near.toLowerCase()) <= Math.max(2, near.length / 2)
      ? near
      : undefined
  return {
    code: 'unknown-key',
    at: source.keyAt([...path, key]),
    path: pathText(isSafe(path, key) ? [...path, key] : path),
    what: `${isSafe(path, key) ? `“${key}”` : 'this key'} is not known here${meant ? `; did you mean “${meant}”?` : ''}`,
    expected: known.length > 0 ? `one of ${known.join(', ')}` : 'no keys of its own',
    example: meant === undefined ? undefined : exampleAt([...path, meant]),
  }
}

/** Turns what the schema found into mistakes with places. */
export function mistakesOf(issues: readonly z.core.$ZodIssue[], source: Source): Mistake[] {
  return issues.slice(0, MOST).flatMap((issue): Mistake[] => {
    if (issue.code === 'unrecognized_keys')
      return issue.keys.slice(0, MOST).map((key) => unknownKey(source, issue.path, key))
    if (issue.code === 'invalid_union') {
      const deep = issue.errors.flat().filter((inner) => inner.path.length > 0 || inner.code === 'unrecognized_keys')
      if (deep.length > 0)
        return mistakesOf(
          deep.map((inner) => ({ ...inner, path: [...issue.path, ...inner.path] })),
          source,
        )
    }
    const missing = issue.code === 'invalid_type' && source.document.getIn(issue.path, true) === undefined
    const own = issue.code === 'custom' || issue.code === 'invalid_format'
    return [
      {
        code: missing ? 'missing-key' : own ? 'wrong-value' : 'wrong-type',
        at: missing ? source.keyAt(issue.path) : source.at(issue.path),
        path: pathText(issue.path),
        what: missing
          ? 'this key is missing'
          : own
            ? 'this value is not possible here'
            : 'this is not what belongs here',
        expected: own ? issue.message : expectedAt(issue.path),
        example: exampleAt(issue.path),
      },
    ]
  })
}

/** A mistake in one line: `baseline.yaml:7:3: …`. */
export const mistakeText = ({ at, path, what, expected, example }: Mistake): string =>
  `${at.file}:${at.line}:${at.column}: ${path ? `${path}: ` : ''}${what}${what.endsWith('?') ? '' : '.'} Expected: ${expected}.${example ? ` Example: ${example}` : ''}`
