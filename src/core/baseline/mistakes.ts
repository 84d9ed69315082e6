import { closest, distance } from 'fastest-levenshtein'
import type { z } from 'zod'
import { exampleAt, expectedAt, formsAt, keysAt, placesOf } from './schema-walk.js'
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

/** Mistakes that are reported; more of them help nobody. */
export const MOST_MISTAKES = 100

function unknownKey(source: Source, path: readonly PropertyKey[], key: string): Mistake {
  const known = keysAt(path)
  const mistake = {
    code: 'unknown-key' as const,
    at: source.keyAt([...path, key]),
    path: pathText(isSafe(path, key) ? [...path, key] : path),
  }
  const called = isSafe(path, key) ? `“${key}”` : 'this key'
  // of a group that has several forms, it belongs to another one
  if (known.includes(key))
    return { ...mistake, what: `${called} can’t stand beside the others here`, expected: formsAt(path).join(' or ') }
  const near = known.length > 0 ? closest(key, known) : undefined
  const steps = near === undefined ? Infinity : distance(key.toLowerCase(), near.toLowerCase())
  const [elsewhere] = isSafe(path, key) ? placesOf(key) : []
  if (elsewhere !== undefined && steps > 1) {
    const stands = elsewhere === '' ? 'at the top of the file' : `under ${elsewhere}`
    return { ...mistake, what: `${called} is not known here`, expected: `“${key}” ${stands}, where it is known` }
  }
  const meant = near !== undefined && steps <= Math.max(2, near.length / 2) ? near : undefined
  return {
    ...mistake,
    what: `${called} is not known here${meant ? `; did you mean “${meant}”?` : ''}`,
    expected: known.length > 0 ? `one of ${known.join(', ')}` : 'no keys of its own',
    example: meant === undefined ? undefined : exampleAt([...path, meant]),
  }
}

type Issue = z.core.$ZodIssue
/** Of a value that may have several forms, what lacks for the one that it is nearest to; nothing where it is as near to another. */
function nearestForm(errors: readonly (readonly Issue[])[]): readonly Issue[] {
  const [first, second] = errors
    .filter((issues) => issues.every(({ path, code }) => path.length > 0 || code === 'unrecognized_keys'))
    .toSorted((a, b) => weight(a) - weight(b))
  return first && (!second || weight(first) < weight(second)) ? first : []
}
const weight = (issues: readonly Issue[]): number =>
  issues.reduce((sum, issue) => sum + (issue.code === 'unrecognized_keys' ? issue.keys.length : 1), 0)

/** What somebody may take for true or false, and what is a text in this format. */
const takenForYesOrNo = /^(?:yes|no|on|off)$/i

/** What stands at a path, by its sort alone: never the value, which may be a secret. */
function standsThere(value: unknown, expected: string): string {
  if (Array.isArray(value)) return 'a list stands here'
  if (value === null) return 'nothing stands here'
  if (typeof value === 'object') return 'a group of keys stands here'
  if (typeof value === 'string') {
    if (expected === 'true or false' && takenForYesOrNo.test(value))
      return `“${value.toLowerCase()}” is a text in this format`
    return 'a text stands here'
  }
  if (typeof value === 'boolean') return `“${String(value)}” stands here`
  return 'a number stands here'
}

/** Turns what the schema found into mistakes with places. */
export function mistakesOf(issues: readonly Issue[], source: Source, values: unknown): Mistake[] {
  return issues.slice(0, MOST_MISTAKES).flatMap((issue): Mistake[] => {
    if (issue.code === 'unrecognized_keys')
      return issue.keys.slice(0, MOST_MISTAKES).map((key) => unknownKey(source, issue.path, key))
    if (issue.code === 'invalid_key') return [wrongKey(issue, source)]
    if (issue.code === 'invalid_union') {
      const inner = nearestForm(issue.errors)
      if (inner.length > 0)
        return mistakesOf(
          inner.map((one) => ({ ...one, path: [...issue.path, ...one.path] })),
          source,
          values,
        )
    }
    return [wrongValue(issue, source, valueAt(values, issue.path))]
  })
}

/** A key that is its owner's own word, and can't be that one. */
const wrongKey = ({ path, issues }: z.core.$ZodIssueInvalidKey, source: Source): Mistake => ({
  code: 'wrong-value',
  at: source.keyAt(path),
  path: pathText(path),
  what: 'this name is not possible here',
  expected: issues[0]?.message ?? 'another name',
})

/** What is missing, or is of another sort, or a value that is not possible. @param value what stands there, through aliases too */
function wrongValue(issue: Issue, source: Source, value: unknown): Mistake {
  const missing = value === undefined
  const own = issue.code === 'custom' || issue.code === 'invalid_format'
  const limit = issue.code === 'too_small' || issue.code === 'too_big'
  const expected = own ? issue.message : limit ? limitText(issue) : expectedAt(issue.path)
  const isNoneOfThem = issue.code === 'invalid_value' && ['string', 'number'].includes(typeof value)
  const what = own || limit || isNoneOfThem ? 'this value is not possible here' : standsThere(value, expected)
  return {
    code: missing ? 'missing-key' : own ? 'wrong-value' : 'wrong-type',
    at: missing ? source.keyAt(issue.path) : source.at(issue.path),
    path: pathText(issue.path),
    what: missing ? 'this key is missing' : what,
    expected,
    example: exampleAt(issue.path),
  }
}

/** A limit that a number, a text or a list is beyond. */
function limitText(issue: z.core.$ZodIssueTooSmall | z.core.$ZodIssueTooBig): string {
  const most = issue.code === 'too_big'
  const limit = String(most ? issue.maximum : issue.minimum)
  const of = { string: ' signs', array: ' entries' }[String(issue.origin)] ?? ''
  return `${limit}${of} at the ${most ? 'most' : 'least'}`
}

const valueAt = (values: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>(
    (value, step) =>
      typeof value === 'object' && value !== null ? (value as Record<PropertyKey, unknown>)[step] : undefined,
    values,
  )

/**
 * A mistake in one line: `baseline.yaml:7:3: …`.
 * @example mistakesIn(text).map((mistake) => mistakeText(mistake)).join('\n')
 */
export const mistakeText = ({ at, path, what, expected, example }: Mistake): string =>
  `${at.file}:${at.line}:${at.column}: ${path ? `${path}: ` : ''}${what}${what.endsWith('?') ? '' : '.'} Expected: ${expected}.${example ? ` Example: ${example}` : ''}`
