import { pagesOf, postsOf, usersOf, type Entry } from './items.js'
import type { WordPressSession } from './session.js'

/** How long the first minutes last: the first-run form writes everything within moments, a slow server may need longer. */
const FIRST_MINUTES = 60_000
/** The highest number of an entry that ships. */
const LAST_SHIPPED = 3

/** When a site was made, in milliseconds, and the account that owns what shipped. */
export interface Birth {
  at: number
  account: number
}
/** An entry as everyone sees it. */
type Dated = Pick<Entry, 'id' | 'author' | 'date_gmt' | 'modified_gmt' | '_links'>

const gmtOf = (gmt: string | null): number => (gmt === null ? NaN : Date.parse(`${gmt.replace(/Z$/, '')}Z`))

/** Whether something was made in the first minutes. */
export const atBirth = (gmt: string | null, birth: Pick<Birth, 'at'>): boolean =>
  Math.abs(gmtOf(gmt) - birth.at) <= FIRST_MINUTES

/** Whether nobody has edited an entry since it was made. */
export const isUnedited = ({ date_gmt, modified_gmt, _links }: Dated): boolean =>
  date_gmt !== null && modified_gmt === date_gmt && (_links?.['version-history']?.[0]?.count ?? 0) === 0

/** Whether the first account made an entry in the first minutes, and nobody has edited it since. */
export const isEarly = (entry: Dated, birth: Birth): boolean =>
  entry.author === birth.account && isUnedited(entry) && atBirth(entry.date_gmt, birth)

/** The birth of a site as visitors see it: the date and author of the first entry that ships. */
export function birthIn(entries: readonly Dated[]): Birth | undefined {
  const [first] = entries
    .filter((entry) => entry.id <= LAST_SHIPPED && isUnedited(entry))
    .toSorted((a, b) => gmtOf(a.date_gmt) - gmtOf(b.date_gmt))
  return first && { at: gmtOf(first.date_gmt), account: first.author }
}

/**
 * The birth of a site. What shipped belongs to the first account. If the host's account was removed, the new account owns it, and only
 * the first entries still have the date.
 */
export async function birthOf(session: WordPressSession): Promise<Birth> {
  const users = await usersOf(session)
  const first = users.reduce((a, b) => (b.id < a.id ? b : a))
  const at = Math.min(Date.parse(first.registered_date), (await firstEntry(session)) ?? Infinity)
  return { at, account: first.id }
}

/** The date of the first entry, as it was when the session began: the entry may be removed during it. */
function firstEntry(session: WordPressSession): Promise<number | undefined> {
  const known =
    firstEntries.get(session) ??
    Promise.all([postsOf(session), pagesOf(session)]).then((entries) => birthIn(entries.flat())?.at)
  firstEntries.set(session, known)
  return known
}
const firstEntries = new WeakMap<WordPressSession, Promise<number | undefined>>()
