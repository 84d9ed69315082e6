import type { Marks } from '../../core/shipped.js'
import { digest } from '../../core/text/digest.js'
import { strippedText } from '../../core/text/plain.js'
import { atBirth, birthOf, isEarly, isUnedited } from './birth.js'
import type { Entry } from './items.js'
import type { WordPressSession } from './session.js'
import { shippedTexts } from './shipped-texts.js'
import { leadsAsShipped } from './shipped-leads.js'

/** The digest under which a shipped text is known. */
export const shippedDigest = (html: string, home: string): string =>
  digest(strippedText(html.replaceAll(home.replace(/\/$/, ''), '{site}')))

/** Marks of a post or page. */
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
    isUnedited(entry) && atBirth(entry.date_gmt, birth) && entry.status === (shipped === 'draft' ? 'draft' : 'publish')
  const { home } = session.visitor
  const text = entry.content.raw
  const known =
    shippedTexts[shipped].has(shipped === 'draft' ? shippedDigest(text, home) : digest(strippedText(text))) &&
    leadsAsShipped(shipped, text, home)
  return { place, untouched, known, hidden }
}
