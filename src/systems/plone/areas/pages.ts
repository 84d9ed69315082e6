import { dequal } from 'dequal'
import { pages as core, type PageItem } from '../../../core/areas/pages.js'
import type { Baseline } from '../../../core/baseline/schema.js'
import { grouped } from '../../../core/grouped.js'
import { refOf } from '../../../core/ref.js'
import { slugOf } from '../../../core/text/slug-of.js'
import type { ReadItem } from '../../../core/area.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { notLatin } from '../../latin.js'
import { bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { aliasesOf } from '../aliases.js'
import { content } from '../carriers/content.js'
import { ordering } from '../carriers/ordering.js'
import { redirects } from '../carriers/redirects.js'
import { removals } from '../carriers/removals.js'
import { sharing } from '../carriers/sharing.js'
import { states } from '../carriers/states.js'
import { eyes, takePagesAway } from '../eyes.js'
import { HOLDERS, holdsEntries, idOfPage, pagesIn, type PageNodes } from '../kinds.js'
import { itemAgain, itemsNow } from '../items.js'
import { folderOf, lastOf, nodesOf } from '../nodes.js'
import { inOrderAlready } from '../order.js'
import { isForAll, readingOf } from '../sharing.js'
import { marksOf } from '../shipped.js'
import { ownSharing } from '../own-sharing.js'
import type { PloneSession } from '../session.js'
import { storedText, textAsPlanned } from '../texts.js'

/** Where people sign in, out and up: a page of that name at the top would take the place of it. */
const SIGN_IN = [
  ...['login', 'logout', 'logged-out', 'login-help', 'register', 'registered', 'passwordreset'],
  ...['insufficient-privileges', 'initial-login-password-change', 'forced-password-change'],
]
const refAt = (path: string): string => (path === '' ? '' : refOf('pages', path))

export const pages: AreaOnSystem<'pages', PloneSession> = {
  keys: [
    ...(['title', 'slug', 'summary', 'body', 'tags', 'state', 'for', 'may.write', 'may.edit'] as const),
    ...(['parent', 'order', 'hidden', 'movedFrom'] as const),
  ],
  takes(key, _value, { slug, parent, state, for: readers = ['everyone'] }, baseline) {
    const why = key === 'slug' ? notLatin(slug) : undefined
    if (why !== undefined || parent) return why
    if (key === 'slug' && slug === HOLDERS.media) return 'uploads stand at that address here; take another'
    if (key === 'slug' && SIGN_IN.includes(slug))
      return 'who signs in passes that address, and would find the page there; take another'
    const closes = key === 'state' ? state === 'draft' : key === 'for' && !readers.includes('everyone')
    return closes && holdsEntries(slug, baseline)
      ? 'what visitors are to find stands below it here, and would be closed with it'
      : undefined
  },
  async read(session, baseline) {
    const tree = await nodesOf(session)
    const planned = new Map(core.plan(baseline).map(({ item }) => [core.ref(item) as string, item]))
    const all = pagesIn(tree, baseline)
    const orders = ordersOf(all, planned)
    const places = new Map(all.map(({ path }, index) => [path, index + 1]))
    const old = await oldPlaces(session, baseline)
    const going = new Set(baseline.gone.pages?.map(refAt))
    return Promise.all(
      all.map(async (page): Promise<ReadItem<PageItem>> => {
        const { path, node, text } = page
        const plan = planned.get(refAt(path))
        const { title, description, subjects, created } = node.raw
        const { read, stored } = await readingOf(session, page, plan, going.has(refAt(path)))
        const body = text?.raw.text?.data ?? ''
        const item: PageItem = {
          title: title ?? '',
          slug: lastOf(path),
          summary: description ?? '',
          body: textAsPlanned(body, plan?.body, path, session.visitor.home),
          tags: (subjects ?? []).map((name) => refOf('tags', slugOf(name))),
          parent: refAt(folderOf(path)),
          order: orders.get(path) ?? 0,
          hidden: node.raw.exclude_from_nav ?? false,
          ...(plan?.movedFrom && { movedFrom: old.get(path) ?? [] }),
          ...read,
        }
        return {
          id: idOfPage(page),
          item,
          stored: { ...stored, body: storedText(body, session.visitor.home), order: places.get(path) },
          address: `${session.visitor.home}${path}`,
          marks: marksOf(node, tree),
          stamp: (text ?? node).raw.created ?? created ?? undefined,
          copy: { item: bare(node.raw), ...(text && text !== node && { text: bare(text.raw) }) },
          text: title ?? '',
        }
      }),
    )
  },
  readAgain: itemsNow,
  translate(differences, { baseline, inventory }) {
    const planned = new Map(core.plan(baseline).map(({ item }) => [core.ref(item) as string, item]))
    const going = differences.filter(({ is }) => is === 'left over').map(({ ref }) => ref as string)
    const inside = grouped([...planned].map(([ref, { parent = '' }]) => [parent, ref] as const))
    const steps = differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return [Step.of(removals, { id: idOf(ref) }, { proves })]
      const { wanted } = difference
      const fresh = difference.is === 'missing'
      const changed = (key: keyof PageItem) => fresh || difference.fields.includes(key)
      const own = fresh || (['title', 'slug', 'summary', 'body', 'tags', 'hidden', 'parent'] as const).some(changed)
      const { title, slug, summary, parent = '', hidden } = wanted
      const load = {
        what: 'page' as const,
        ...(fresh ? {} : { id: idOf(difference.found.ref) }),
        ...(parent !== '' && { parent: idOf(parent) }),
        slug,
        ...(changed('title') && { title }),
        ...(changed('summary') && { summary }),
        ...(changed('tags') && wanted.tags && { tags: wanted.tags.map(idOf) }),
        ...(changed('body') && wanted.body !== undefined && { body: bodyOf(wanted.body) }),
        ...(changed('hidden') && hidden !== undefined && { hidden }),
        // a page that others stand under is a folder with a text
        folder:
          inside.has(ref) || mayHold(wanted, planned.get(parent)) || (parent === '' && holdsEntries(slug, baseline)),
      }
      const id = idOf(ref)
      const open = isForAll(wanted)
      const reads =
        changed('state') || changed('for') || changed('may.write') || changed('may.edit') || changed('parent')
      const share = reads && ownSharing(wanted, planned.get(parent), fresh)
      const after = own ? [ref] : []
      return [
        ...(own ? [Step.of(content, load, { proves, gives: ref })] : []),
        ...(share ? [Step.of(sharing, { id, ...share }, { proves, after })] : []),
        // made private: what is not for everybody stays so
        ...(reads && (open || !fresh)
          ? [Step.of(states, { id, to: open ? 'publish' : 'retract' }, { proves, after })]
          : []),
        ...(changed('movedFrom') && wanted.movedFrom
          ? [Step.of(redirects, { to: id, from: wanted.movedFrom }, { proves, after })]
          : []),
      ]
    })
    const moved = grouped(
      differences.flatMap((one) =>
        one.is === 'missing' ||
        (one.is === 'different' && (one.fields.includes('order') || one.fields.includes('parent')))
          ? [[one.wanted.parent ?? '', one] as const]
          : [],
      ),
    )
    const arranged = [...moved].map(([parent, proves]) => {
      const there = (inside.get(parent) ?? []).filter((ref) => !going.includes(ref))
      // what stands there, and what comes
      const known = new Set([...(inventory.pages ?? []), ...differences].map(({ ref }) => ref as string))
      const slugs = there.filter((ref) => known.has(ref)).map((ref) => lastOf(ref))
      return Step.of(
        ordering,
        { ...(parent !== '' && { parent: idOf(parent) }), slugs },
        { proves, after: proves.map(({ ref }) => ref as string) },
      )
    })
    return [...steps, ...arranged]
  },
  again(kept) {
    const share = ownSharing(kept.item, undefined, true)
    const id = idOf(kept.ref)
    return [itemAgain(kept), ...(share ? [Step.of(sharing, { id, ...share }, { proves: [], after: [kept.ref] })] : [])]
  },
  eyes,
  takeAway: takePagesAway,
}

/** Whether somebody is to add pages below it: it has to be a folder for that. What only takes that over is none yet. */
const mayHold = (item: PageItem, above: PageItem | undefined): boolean =>
  item['may.write'] !== undefined && !dequal(item['may.write'], above?.['may.write'])

/** Everything of an item but what only points elsewhere. */
const bare = (raw: object): object => ({ ...raw, '@components': undefined })

/** Where pages stand among the planned ones beside them: those in order already stand where they should. */
function ordersOf(all: readonly PageNodes[], planned: ReadonlyMap<string, PageItem>): ReadonlyMap<string, number> {
  const orders = new Map<string, number>()
  for (const [, beside] of grouped(all.map(({ path }) => [folderOf(path), path] as const))) {
    const ours = beside.filter((path) => planned.has(refAt(path)))
    const ranks = ours.map((path) => planned.get(refAt(path))?.order ?? 0)
    const stay = inOrderAlready(ranks)
    for (const [index, path] of ours.entries()) orders.set(path, stay.has(index) ? (ranks[index] ?? 0) : -1 - index)
  }
  return orders
}

/** Old addresses by the pages that they lead to, where the file has some. */
async function oldPlaces(session: PloneSession, baseline: Baseline): Promise<ReadonlyMap<string, string[]>> {
  const asked = core.plan(baseline).some(({ item }) => item.movedFrom !== undefined)
  if (!asked) return new Map()
  return grouped((await aliasesOf(session)).map(({ from, to }) => [to, from] as const))
}
