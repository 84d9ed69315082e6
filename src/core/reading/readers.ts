import { dequal } from 'dequal'
import type { Value } from '../area.js'

/**
 * Who may read what stands below something that these may read. Everybody may read what nobody is named for.
 * @param own what the file says of the page itself
 * @param above who may read what it stands under
 */
export const readersOf = (
  own: string | readonly string[] | undefined,
  above: readonly string[] = ['everyone'],
): readonly string[] => (own === undefined ? above : typeof own === 'string' ? [own] : own)

/** A page of the file, as far as it says who may read it. */
interface Readable {
  for?: string | readonly string[] | undefined
  state?: 'published' | 'draft' | undefined
  body?: string | undefined
  under?: readonly Readable[] | undefined
}

/** All pages with who may read them: nobody, as long as one is a draft. */
export const flatReaders = (
  pages: readonly Readable[] = [],
  above = readersOf(undefined),
): { page: Readable; may: readonly string[] }[] =>
  pages.flatMap((page) => {
    const may = page.state === 'draft' ? [] : readersOf(page.for, above)
    return [{ page, may }, ...flatReaders(page.under, may)]
  })

/** Everybody may read where a system tells nobody apart: nothing has to be said for that. */
export const needsNoSaying = (wanted: Value, found: Value): boolean =>
  found === '' && Array.isArray(wanted) && wanted.includes('everyone')

/** Whether all who are in the one are in the other as well: a group is within itself, and within members. */
export const isWithin = (one: readonly string[], other: readonly string[]): boolean =>
  other.includes('everyone') ||
  one.every((name) => other.includes(name) || (name !== 'everyone' && other.includes('members')))

/** Names in a field. */
export const namesOf = (value: Value): readonly string[] => (Array.isArray(value) ? (value as readonly string[]) : [])
/** Whether two fields hold the same names, in whatever order. */
export const sameNames = (one: Value, other: Value): boolean => dequal(new Set(namesOf(one)), new Set(namesOf(other)))
/** Whether somebody may read who could not before. */
export const letsMoreIn = (wanted: readonly string[], found: readonly string[]): boolean =>
  found.length > 0 && !found.includes('everyone') && wanted.some((name) => !found.includes(name))
