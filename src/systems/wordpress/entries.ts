import type { ReadItem } from '../../core/area.js'
import type { AnyDifference } from '../../core/areas/index.js'
import type { PageItem } from '../../core/areas/pages.js'
import { decoded } from '../../core/text/plain.js'
import { Step } from '../step.js'
import { content } from './carriers/content.js'
import { entrySchema, type Entry } from './items.js'
import { entryMarks } from './marks.js'
import type { WordPressSession } from './session.js'
import { unescaped } from '../../core/text/percent.js'

/* Posts and pages are the same to this system but for their route. */

/** What posts and pages have in common, as it was read, in core's words. */
export async function readEntry(
  entry: Entry,
  kind: 'post' | 'page',
  session: WordPressSession,
): Promise<ReadItem<Pick<PageItem, 'title' | 'slug' | 'body' | 'state'>>> {
  const marks = await entryMarks(entry, kind, session)
  return {
    id: entry.id,
    item: {
      title: decoded(entry.title.raw),
      slug: unescaped(entry.slug),
      body: entry.content.raw,
      // one whose time has not come is published as far as a plan is concerned
      state: entry.status === 'publish' || entry.status === 'future' ? 'published' : 'draft',
    },
    // a post or page of nobody's is as visible as one that shipped
    marks: marks ?? { place: false, untouched: false, known: false },
    address: entry.link,
    copy: { ...entry, _links: undefined },
  }
}

/** The step that removes a post or page. */
export const removeEntry = (route: 'posts' | 'pages', difference: AnyDifference): Step =>
  Step.of(content, { route, id: { idOf: difference.ref }, remove: true }, { proves: [difference] })

/** The step that makes a removed post or page again from its copy, under its old slug and date. */
export function entryAgain(route: 'posts' | 'pages', copy: unknown): Step {
  const {
    title,
    content: text,
    excerpt,
    slug,
    status,
    date_gmt,
    parent,
    menu_order,
    categories,
    tags,
  } = entrySchema.parse(copy)
  const body = {
    title: title.raw,
    content: text.raw,
    slug,
    status,
    ...(excerpt && { excerpt: excerpt.raw }),
    ...(date_gmt !== null && { date_gmt }),
    ...(route === 'pages' ? { parent, menu_order } : { categories, tags }),
  }
  return Step.of(content, { route, body }, { proves: [], gives: `${route}/${slug}` })
}
