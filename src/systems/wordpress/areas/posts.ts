import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { shipped, wordsFor } from '../shipped-words.js'
import { content } from '../carriers/content.js'
import { entryAgain, readEntry, removeEntry } from '../entries.js'
import { categoriesOf, entriesNow, postsOf, tagsOf, type Entry } from '../items.js'
import type { WordPressSession } from '../session.js'
import { noSlugOfPost } from '../slugs.js'
import { titleAsHtml, titleIn } from '../titles.js'

async function itemsOf(entries: readonly Entry[], session: WordPressSession) {
  const [categories, tags] = await Promise.all([categoriesOf(session), tagsOf(session)])
  const refs = (area: 'categories' | 'tags', terms: typeof categories, ids: readonly number[]) =>
    ids.flatMap((id) => {
      const term = terms.find((one) => one.id === id)
      return term ? [refOf(area, term.slug)] : []
    })
  return Promise.all(
    entries.map(async (entry) => {
      const read = await readEntry(entry, 'post', session)
      return {
        ...read,
        item: {
          ...read.item,
          summary: titleIn(entry.excerpt?.raw ?? ''),
          categories: refs('categories', categories, entry.categories),
          tags: refs('tags', tags, entry.tags),
          date: (entry.date ?? '').slice(0, 16),
        },
      }
    }),
  )
}

export const posts: AreaOnSystem<'posts', WordPressSession> = {
  keys: ['title', 'slug', 'summary', 'body', 'state', 'categories', 'tags', 'date'],
  takes: (key, _value, { slug }) => (key === 'slug' ? noSlugOfPost(slug) : undefined),
  read: async (session) => itemsOf(await postsOf(session), session),
  readAgain: async (session, found) =>
    itemsOf(
      await entriesNow(
        session,
        'posts',
        found.map(({ id }) => id),
      ),
      session,
    ),
  translate(differences, { baseline: { comments } }) {
    return differences.map((difference) => {
      if (difference.is === 'left over') return removeEntry('posts', difference)
      const { title, slug, summary, body: text, state, categories, tags, date } = difference.wanted
      const fresh = difference.is === 'missing'
      const changed = (key: keyof typeof difference.wanted) => fresh || difference.fields.includes(key)
      const body = {
        ...(changed('title') && { title: titleAsHtml(title) }),
        ...(changed('slug') && { slug }),
        ...(changed('state') && { status: state === 'draft' ? 'draft' : 'publish' }),
        ...(summary !== undefined && changed('summary') && { excerpt: titleAsHtml(summary) }),
        ...(text !== undefined && changed('body') && { content: bodyOf(text) }),
        ...(categories && changed('categories') && { categories: categories.map(idOf) }),
        ...(tags && changed('tags') && { tags: tags.map(idOf) }),
        // the rule may be written after the post, and holds for new ones alone
        ...(fresh && comments?.allowed !== undefined && { comment_status: comments.allowed ? 'open' : 'closed' }),
        ...(date !== undefined && changed('date') && { date: `${date}:00` }),
      }
      return Step.of(
        content,
        { route: 'posts', ...(fresh ? {} : { id: idOf(difference.found.ref) }), body },
        { proves: [difference], gives: difference.ref },
      )
    })
  },
  again: (kept) => entryAgain('posts', kept),
  ships: (baseline) => [{ id: 1, item: wordsFor(baseline).post, marks: shipped }],
  shippedAt: (baseline) => ['/?p=1', `/${encodeURI(wordsFor(baseline).post.slug)}/`],
}
