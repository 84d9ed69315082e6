import type { Marks } from '../../core/area.js'
import { digest } from '../../core/text/digest.js'
import { strippedText } from '../../core/text/plain.js'
import { pagesOf, postsOf, usersOf, type Entry } from './items.js'
import type { WordPressSession } from './session.js'
import { shippedTexts } from './shipped-texts.js'
import { leadsAsShipped } from './shipped-leads.js'

/** The first-run form writes everything within moments; a minute leaves room for a slow server. */
const MOMENTS = 60_000

export interface Birth {
  at: number
  account: number
}

/** When the site was made, and which account what shipped belongs to: the first one there is. */
export async function birthOf(session: WordPressSession): Promise<Birth> {
  const users = await usersOf(session)
  const first = users.reduce((a, b) => (b.id < a.id ? b : a))
  const at = Math.min(Date.parse(first.registered_date), await firstEntry(session))
  return { at, account: first.id }
}

/** Where the host's account has gone since, the first entries tell the time: they keep it, and are the new account's by now. */
function firstEntry(session: WordPressSession): Promise<number> {
  const known = firstEntries.get(session) ?? earliest(session)
  firstEntries.set(session, known)
  return known
}
const firstEntries = new WeakMap<WordPressSession, Promise<number>>()

async function earliest(session: WordPressSession): Promise<number> {
  const [posts, pages] = await Promise.all([postsOf(session), pagesOf(session)])
  const dates = [...posts, ...pages]
    .filter(({ id, date_gmt, modified_gmt }) => id <= LAST_SHIPPED && date_gmt === modified_gmt)
    .map(({ date_gmt }) => gmtOf(date_gmt))
  return Math.min(...dates.filter(Number.isFinite))
}
const LAST_SHIPPED = 3
const gmtOf = (gmt: string | null): number => (gmt === null ? NaN : Date.parse(`${gmt.replace(/Z$/, '')}Z`))

/** True if something was made in the moments of the first run. */
export const atBirth = (gmt: string | null, birth: Pick<Birth, 'at'>): boolean =>
  gmt !== null && Math.abs(gmtOf(gmt) - birth.at) <= MOMENTS

/** The digest under which a shipped text is known. */
export const shippedDigest = (html: string, home: string): string =>
  digest(strippedText(html.replaceAll(home.replace(/\/$/, ''), '{site}')))

/** Whether an entry was made in the first minutes by the account that was there then, and nobody has touched it since. */
export const isEarly = (entry: Entry, birth: Birth): boolean =>
  entry.author === birth.account &&
  entry.modified_gmt === entry.date_gmt &&
  atBirth(entry.date_gmt, birth) &&
  (entry._links?.['version-history']?.[0]?.count ?? 0) === 0

/** Marks of a post or page that stands in the place of a shipped one. */
export async function entryMarks(
  entry: Entry,
  kind: 'post' | 'page',
  session: WordPressSession,
): Promise<Marks | undefined> {
  const shipped =
    kind === 'post' ? { 1: 'post' as const }[entry.id] : { 2: 'page' as const, 3: 'draft' as const }[entry.id]
  const hidden = entry.status !== 'publish'
  const birth = await birthOf(session)
  if (!shipped) return { place: false, untouched: false, known: false, hidden, early: isEarly(entry, birth) }
  const place =
    entry.author === birth.account &&
    entry.guid.raw.endsWith(kind === 'post' ? `?p=${entry.id}` : `?page_id=${entry.id}`)
  const untouched =
    entry.date_gmt !== null &&
    entry.modified_gmt === entry.date_gmt &&
    atBirth(entry.date_gmt, birth) &&
    entry.status === (shipped === 'draft' ? 'draft' : 'publish') &&
    (entry._links?.['version-history']?.[0]?.count ?? 0) === 0
  const { home } = session.visitor
  const text = entry.content.raw
  const known =
    shippedTexts[shipped].has(shipped === 'draft' ? shippedDigest(text, home) : digest(strippedText(text))) &&
    leadsAsShipped(shipped, text, home)
  return { place, untouched, known, hidden }
}
