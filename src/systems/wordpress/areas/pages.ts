import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { shipped, wordsFor } from '../shipped-words.js'
import { content } from '../carriers/content.js'
import { entryAgain, readEntry, removeEntry } from '../entries.js'
import { entriesNow, pageRefsOf, pagesOf, type Entry } from '../items.js'
import type { WordPressSession } from '../session.js'
import { noSlugOfPage } from '../slugs.js'
import { titleAsHtml } from '../titles.js'

async function itemsOf(entries: readonly Entry[], session: WordPressSession) {
  const refs = await pageRefsOf(session)
  return Promise.all(
    entries.map(async (entry) => {
      const read = await readEntry(entry, 'page', session)
      const parent = refs.get(entry.parent) ?? ''
      return { ...read, item: { ...read.item, parent, order: entry.menu_order } }
    }),
  )
}

export const pages: AreaOnSystem<'pages', WordPressSession> = {
  keys: ['title', 'slug', 'body', 'state', 'parent', 'order'],
  takes: (key, _value, { slug, parent }) => (key === 'slug' ? noSlugOfPage(slug, !parent) : undefined),
  read: async (session) => itemsOf(await pagesOf(session), session),
  readAgain: async (session, found) =>
    itemsOf(
      await entriesNow(
        session,
        'pages',
        found.map(({ id }) => id),
      ),
      session,
    ),
  translate(differences) {
    return differences.map((difference) => {
      if (difference.is === 'left over') return removeEntry('pages', difference)
      const { title, slug, body: text, state, parent, order } = difference.wanted
      const fresh = difference.is === 'missing'
      // what somebody changed is not among the fields, and stays
      const changed = (key: 'title' | 'slug' | 'body' | 'state' | 'parent' | 'order') =>
        fresh || difference.fields.includes(key)
      const body = {
        ...(changed('title') && { title: titleAsHtml(title) }),
        ...(changed('slug') && { slug }),
        ...(changed('state') && { status: state === 'draft' ? 'draft' : 'publish' }),
        ...(text !== undefined && changed('body') && { content: bodyOf(text) }),
        ...(parent !== undefined && changed('parent') && { parent: parent === '' ? 0 : idOf(parent) }),
        ...(order !== undefined && changed('order') && { menu_order: order }),
        ...(fresh && { comment_status: 'closed' }),
      }
      return Step.of(
        content,
        { route: 'pages', ...(fresh ? {} : { id: idOf(difference.found.ref) }), body },
        { proves: [difference], gives: difference.ref },
      )
    })
  },
  again: (kept) => entryAgain('pages', kept),
  ships(baseline) {
    const { page, draft } = wordsFor(baseline)
    return [
      { id: 2, item: { ...page, state: 'published' }, marks: shipped },
      { id: 3, item: { ...draft, state: 'draft' }, marks: { ...shipped, hidden: true } },
    ]
  },
  shippedAt(baseline) {
    const { page, draft } = wordsFor(baseline)
    return ['/?page_id=2', '/?page_id=3', ...[page, draft].map(({ slug }) => `/${encodeURI(slug)}/`)]
  },
}
