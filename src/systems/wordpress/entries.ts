import type { ReadItem } from '../../core/area.js'
import type { AnyDifference } from '../../core/areas/index.js'
import type { PageItem } from '../../core/areas/pages.js'
import { idOf } from '../later.js'
import { Step } from '../step.js'
import type { Kept } from '../area-on-system.js'
import { content } from './carriers/content.js'
import { entrySchema, type Entry } from './items.js'
import { entryMarks } from './marks.js'
import type { WordPressSession } from './session.js'
import { titleIn } from './titles.js'

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
      title: titleIn(entry.title.raw),
      slug: entry.slug,
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
  Step.of(content, { route, id: idOf(difference.ref), remove: true }, { proves: [difference] })

/** Fields of the editing screen that go back as they were. */
const plain = [
  'comment_status',
  'ping_status',
  'sticky',
  'format',
  'template',
  'password',
  'author',
  'featured_media',
  'menu_order',
] as const

/** The step that makes a removed post or page again from what was kept: what it stood under and in goes by its ref. */
export function entryAgain(route: 'posts' | 'pages', { ref, item, copy }: Kept<Linked>): Step {
  const entry = entrySchema.parse(copy)
  const { title, content: text, excerpt, slug, status, date_gmt } = entry
  const idsOf = (refs: readonly string[] = []) => refs.map(idOf)
  const as = Object.fromEntries(
    plain.filter((name) => entry[name] !== undefined).map((name) => [name, entry[name] as string | number]),
  )
  const body = {
    ...as,
    title: title.raw,
    content: text.raw,
    slug,
    status,
    ...(excerpt && { excerpt: excerpt.raw }),
    ...(date_gmt !== null && { date_gmt }),
    ...(route === 'pages'
      ? { parent: item.parent ? idOf(item.parent) : 0 }
      : { categories: idsOf(item.categories), tags: idsOf(item.tags) }),
  }
  return Step.of(content, { route, body }, { proves: [], gives: ref })
}

interface Linked {
  parent?: string
  categories?: readonly string[]
  tags?: readonly string[]
}
