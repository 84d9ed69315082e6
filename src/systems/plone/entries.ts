import type { AnyDifference } from '../../core/areas/index.js'
import { flatPages } from '../../core/areas/pages.js'
import { refOf } from '../../core/ref.js'
import type { Here } from '../area-on-system.js'
import { bodyOf, idOf, type IdOf } from '../later.js'
import { Step } from '../step.js'
import { content, type ContentFields } from './carriers/content.js'
import { removals } from './carriers/removals.js'
import { states } from './carriers/states.js'
import { HOLDER_OF, HOLDERS } from './kinds.js'
import { isOpen, lastOf, nodesOf, type Node } from './nodes.js'
import { panels } from './panels.js'
import type { PloneSession } from './session.js'
import { marksOf } from './shipped.js'
import { storedText, textAsPlanned } from './texts.js'

interface Entry {
  title: string
  slug: string
  summary?: string
  body?: string
  tags?: readonly string[]
  state?: 'published' | 'draft'
}

/**
 * News or events, wherever they stand.
 * @param planned the texts that the file has, by their slugs
 * @param own what an item has beside what all have
 */
export async function readEntries<I extends object>(
  session: PloneSession,
  type: string,
  planned: ReadonlyMap<string, string | undefined>,
  own: (raw: Node['raw'], zone: string) => I,
) {
  const [tree, { portal_timezone: zone }] = await Promise.all([nodesOf(session), panels.clock(session)])
  const { home } = session.visitor
  return tree.all
    .filter((node) => node.type === type)
    .map((node) => {
      const { uid, path, raw } = node
      const slug = lastOf(path)
      const item = {
        title: raw.title ?? '',
        slug,
        body: textAsPlanned(raw.text?.data ?? '', planned.get(slug), path, home),
        state: isOpen(tree, path) ? ('published' as const) : ('draft' as const),
        ...own(raw, zone),
      }
      const stamp = raw.created ?? undefined
      const stored = {
        body: storedText(raw.text?.data ?? '', home),
        state: raw.review_state === 'published' ? 'published' : 'draft',
      }
      const marks = marksOf(node, tree)
      return { id: uid, item, stored, address: `${home}${path}`, marks, stamp, copy: { item: raw }, text: item.title }
    })
}

/** The zone in which the times of a run are: the planned one, or else the site's. */
export const zoneIn = ({ baseline, inventory }: Here): string =>
  baseline.site.timezone ?? inventory.site?.[0]?.item.timezone ?? 'UTC'

/** The page of the file that all news or all events stand below, where it has one at their place. */
function pageAbove(place: string, { baseline, inventory }: Here): IdOf | undefined {
  const planned = flatPages(baseline).find(({ path }) => path === place)
  const ref = refOf('pages', place)
  const found = inventory.pages?.find((one) => one.ref === ref)
  // what stands there under another title may be somebody's
  return planned && (!found || found.item.title === planned.page.title) ? idOf(ref) : undefined
}

/** The steps for a piece of news or an event. @param more its other fields, by the system's own names, where they differ */
export function entrySteps(
  what: 'news' | 'event',
  difference: AnyDifference,
  here: Here,
  more: (changed: (key: string) => boolean) => NonNullable<ContentFields['more']>,
): Step[] {
  const proves = [difference]
  const { ref } = difference
  const id = idOf(ref)
  if (difference.is === 'left over') return [Step.of(removals, { id }, { proves })]
  const wanted = difference.wanted as Entry
  const fresh = difference.is === 'missing'
  const changed = (key: string) => fresh || (difference.fields as readonly string[]).includes(key)
  const others = more(changed)
  const own = fresh || ['title', 'slug', 'summary', 'body', 'tags'].some(changed) || Object.keys(others).length > 0
  const parent = pageAbove(HOLDERS[HOLDER_OF[what]], here)
  const load: ContentFields = {
    what,
    ...(parent !== undefined && { parent }),
    ...(fresh ? {} : { id: idOf(difference.found.ref) }),
    slug: wanted.slug,
    ...(changed('title') && { title: wanted.title }),
    ...(changed('summary') && wanted.summary !== undefined && { summary: wanted.summary }),
    ...(changed('tags') && wanted.tags && { tags: wanted.tags.map(idOf) }),
    ...(changed('body') && wanted.body !== undefined && { body: bodyOf(wanted.body) }),
    ...(Object.keys(others).length > 0 && { more: others }),
  }
  const open = wanted.state !== 'draft'
  return [
    ...(own ? [Step.of(content, load, { proves, gives: ref })] : []),
    ...(changed('state') && (open || !fresh)
      ? [Step.of(states, { id, to: open ? 'publish' : 'retract' }, { proves, after: own ? [ref] : [] })]
      : []),
  ]
}
