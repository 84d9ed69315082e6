import type { PlainItem, Value } from '../area.js'
import { itemDigest } from '../text/digest.js'
import { bodyDigest } from '../text/normal-form.js'
import { textOf } from '../value.js'
import type { SomeArea } from './result.js'

/**
 * What is remembered of each value that we left on a site, by the item's ref and the key: a short digest, never the value.
 * A text has a second one, of every character. `~` in front says that the site gave back another value than was sent.
 */
export type LeftBehind = Readonly<Record<string, string>>

const SHORT = 16
const short = (digest: string): string => digest.slice(0, SHORT)

const isText = (area: SomeArea, key: string): boolean => area.texts?.includes(key) ?? false

/**
 * The mark under which a value is remembered.
 * @param asSent false where the site gave back another value than was sent
 */
export function markOf(area: SomeArea, key: string, value: Value | undefined, asSent = true): string {
  const whole = short(itemDigest(value ?? null))
  const mark = isText(area, key)
    ? `${short(bodyDigest(textOf(value)))} ${whole}`
    : isList(area, key)
      ? entriesMark(value)
      : whole
  return asSent ? mark : `~${mark}`
}

/** A value as it is remembered: as the site itself has it. */
export const storedIn = ({ item, stored }: { item: PlainItem; stored?: PlainItem }, key: string): Value | undefined =>
  stored?.[key] ?? item[key]

/** Whether a value is still the one that we left, as far as it matters: white space and wrappers of a text don't. */
export function isAsLeft(area: SomeArea, key: string, mark: string, value: Value | undefined): boolean {
  const left = mark.replace(/^~/, '')
  if (area.ranks?.includes(key)) return sameRanks(left, value)
  if (area.atLeast?.includes(key)) return entriesIn(left).every((one) => entriesIn(entriesMark(value)).includes(one))
  return left.split(' ')[0] === markOf(area, key, value).split(' ')[0]
}

/** Whether nothing of a value is a person's: it is, character by character, what we sent. */
export const isExactlyLeft = (area: SomeArea, key: string, mark: string, value: Value | undefined): boolean =>
  mark === markOf(area, key, value)

/** What of a list is still there of what we gave, and is to end: the plan no longer names it. */
export function endedIn(area: SomeArea, key: string, mark: string, planned: readonly Value[], found: Value): Value[] {
  const given = entriesIn(mark.replace(/^~/, ''))
  const wanted = entriesIn(entriesMark(planned))
  return Array.isArray(found) && area.atLeast?.includes(key)
    ? (found as readonly Value[]).filter((one) => given.includes(entryMark(one)) && !wanted.includes(entryMark(one)))
    : []
}

const isList = (area: SomeArea, key: string): boolean =>
  (area.ranks?.includes(key) ?? false) || (area.atLeast?.includes(key) ?? false)
const entryMark = (entry: Value): string => itemDigest(entry).slice(0, 8)
const entriesIn = (mark: string): string[] => mark.split(',').filter((one) => one !== '')

/** A list by short digests of its entries; an item's place among others as it is. */
function entriesMark(value: Value | undefined): string {
  if (!Array.isArray(value)) return textOf(value)
  return (value as readonly Value[]).map(entryMark).join(',')
}

/** Whether the entries that were in a list then stand in the same order now; what came or went since changes nothing. */
function sameRanks(left: string, value: Value | undefined): boolean {
  if (!Array.isArray(value)) return left === textOf(value)
  const then = entriesIn(left)
  const now = entriesIn(entriesMark(value))
  return then.filter((one) => now.includes(one)).join() === now.filter((one) => then.includes(one)).join()
}
