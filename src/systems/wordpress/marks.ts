import type { Marks } from '../../core/area.js'
import { digest } from '../../core/text/digest.js'
import { strippedText } from '../../core/text/plain.js'
import { usersOf, type Entry } from './items.js'
import type { WordPressSession } from './session.js'
import { shippedTexts } from './shipped-texts.js'
import { leadsAsShipped } from './shipped-leads.js'

/** The first-run form writes everything within moments; a minute leaves room for a slow server. */
const MOMENTS = 60_000

/** When the site was made, and by which account: the first one there is. */
export async function birthOf(session: WordPressSession): Promise<{ at: number; account: number }> {
  const first = (await usersOf(session)).reduce((a, b) => (b.id < a.id ? b : a))
  return { at: Date.parse(first.registered_date), account: first.id }
}

/** True if something was made in the moments of the first run. */
export const atBirth = (gmt: string | null, birth: { at: number }): boolean =>
  gmt !== null && Math.abs(Date.parse(`${gmt.replace(/Z$/, '')}Z`) - birth.at) <= MOMENTS

/** The digest under which a shipped text is known. */
export const shippedDigest = (html: string, home: string): string =>
  digest(strippedText(html.replaceAll(home.replace(/\/$/, ''), '{site}')))

/** Marks of a post or page that stands in the place of a shipped one. */
export async function entryMarks(
  entry: Entry,
  kind: 'post' | 'page',
  session: WordPressSession,
): Promise<Marks | undefined> {
  const shipped =
    kind === 'post' ? { 1: 'post' as const }[entry.id] : { 2: 'page' as const, 3: 'draft' as const }[entry.id]
  const hidden = entry.status !== 'publish'
  if (!shipped) return { place: false, untouched: false, known: false, hidden }
  const birth = await birthOf(session)
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
