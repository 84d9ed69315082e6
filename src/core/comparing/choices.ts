import type { Value } from '../area.js'
import type { AnyItem } from '../areas/index.js'
import { textOf } from '../value.js'
import type { SomeArea } from './result.js'

/** Most that are named of what a site has to choose from, and letters of a name. */
const MOST_NAMED = 20
const LONGEST_NAME = 60

/** Whether a value is one of those that a site has; nothing is known where it tells none. */
export const isAmong = (area: SomeArea, key: string, value: Value, choices: readonly string[] | undefined): boolean =>
  !choices ||
  (Array.isArray(value)
    ? strangersIn(value, choices).length === 0
    : choices.some((one) => one === value || area.same?.(key, value, one)))

/** Those of a list that are not among what there is to choose from; a text of the owner's own goes by `text`. */
const strangersIn = (list: readonly Value[], choices: readonly string[]): string[] =>
  list.map((one) => (typeof one === 'string' ? one : 'text')).filter((one) => !choices.includes(one))

/** That a site has no such value, and which it has: those that begin alike first. */
export function notAmongText(area: SomeArea, key: string, item: AnyItem, choices: readonly string[] = []): string {
  const value = item[key]
  const wanted = Array.isArray(value) ? strangersIn(value, choices).join(', ') : textOf(value)
  const far = (one: string): number => Number(one.slice(0, 2).toLowerCase() !== wanted.slice(0, 2).toLowerCase())
  const named = choices.toSorted((a, b) => far(a) - far(b)).slice(0, MOST_NAMED)
  const has = named.map((one) => one.slice(0, LONGEST_NAME)).join(', ') || 'none'
  const more = choices.length > MOST_NAMED ? ` and ${choices.length - MOST_NAMED} more` : ''
  const whose = area.list === 'one' ? '' : `${area.call(item)}: `
  return `${whose}the site has no ${area.say?.(key) ?? key} “${wanted}”; it has: ${has}${more}`
}
