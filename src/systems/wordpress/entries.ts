import type { ReadItem } from '../../core/area.js'
import type { AnyDifference } from '../../core/areas/index.js'
import type { PageItem } from '../../core/areas/pages.js'
import { decoded } from '../../core/text/plain.js'
import { Step } from '../step.js'
import { content } from './carriers/content.js'
import { entrySchema, type Entry } from './items.js'
import { entryMarks } from './marks.js'
import type { WordPressSession } from './session.js'

/* Posts and pages are the same to this system but for their route. */

/** A post or page as it was read, in core's words. */
export async function readEntry(
  entry: Entry,
  kind: 'post' | 'page',
  session: WordPressSession,
): Promise<ReadItem<PageItem>> {
  return {
    id: entry.id,
    item: {
      title: decoded(entry.title.raw),
      slug: decodeURIComponent(entry.slug),
      body: entry.content.raw,
      state: entry.status === 'publish' ? 'published' : 'draft',
    },
    marks: await entryMarks(entry, kind, session),
    address: entry.link,
    copy: { ...entry, _links: undefined },
  }
}

/** The step that removes a post or page. */
export const removeEntry = (route: 'posts' | 'pages', difference: AnyDifference): Step =>
  Step.of(content, { route, id: { idOf: difference.ref }, remove: true }, { proves: [difference] })

/** The step that makes a removed post or page again from its copy, under its old slug and date. */
export function entryAgain(route: 'posts' | 'pages', copy: unknown): Step {
  const { title, content: text, excerpt, slug, status, date_gmt } = entrySchema.parse(copy)
  const body = {
    title: title.raw,
    content: text.raw,
    slug,
    status,
    ...(excerpt && { excerpt: excerpt.raw }),
    ...(date_gmt !== null && { date_gmt }),
  }
  return Step.of(content, { route, body }, { proves: [], gives: `${route}/${slug}` })
}
