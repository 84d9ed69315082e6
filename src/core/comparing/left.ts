import type { Value } from '../area.js'
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
    : area.ranks?.includes(key)
      ? rankMark(value)
      : whole
  return asSent ? mark : `~${mark}`
}

/** Whether a value is still the one that we left, as far as it matters: white space and wrappers of a text don't. */
export function isAsLeft(area: SomeArea, key: string, mark: string, value: Value | undefined): boolean {
  const left = mark.replace(/^~/, '')
  if (area.ranks?.includes(key)) return sameRanks(left, value)
  return left.split(' ')[0] === markOf(area, key, value).split(' ')[0]
}

/** Whether nothing of a value is a person's: it is, character by character, what we sent. */
export const isExactlyLeft = (area: SomeArea, key: string, mark: string, value: Value | undefined): boolean =>
  mark === markOf(area, key, value)

/** An order: places of items as they are, lists by short digests of their entries. */
function rankMark(value: Value | undefined): string {
  if (!Array.isArray(value)) return textOf(value)
  return (value as readonly Value[]).map((one) => itemDigest(one).slice(0, 8)).join(',')
}

/** Whether the entries that were in a list then stand in the same order now; what came or went since changes nothing. */
function sameRanks(left: string, value: Value | undefined): boolean {
  if (!Array.isArray(value)) return left === textOf(value)
  const then = left.split(',')
  const now = rankMark(value).split(',')
  return then.filter((one) => now.includes(one)).join() === now.filter((one) => then.includes(one)).join()
}
