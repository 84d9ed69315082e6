import { areas, idOf, notLatin, refOf, refsInTree, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items, sharing, states } from '../carriers/forms.js'
import { changedIn, entryAgain, fieldsOf, linesOf, readEntries } from '../entries.js'
import { eyes, takePagesAway } from '../eyes.js'
import { isForAll, readingOf, storedReading } from '../reading.js'
import { shipped, titlesIn } from '../shipped.js'
import { asLoad, namesOf } from '../who.js'

const room = 'pages'
/** Where no page can stand. */
const taken = ['files', 'office', 'search', 'map', 'join', 'enter', 'leave', 'setup', 'themes', 'say']

export const pages: AreaOnSystem<'pages', StandInSession> = {
  keys: [
    ...(['title', 'slug', 'summary', 'body', 'tags', 'state', 'for', 'may.write', 'may.edit'] as const),
    ...(['parent', 'order', 'hidden', 'movedFrom'] as const),
  ],
  takes(key, _value, { slug, parent }) {
    if (key !== 'slug') return undefined
    return !parent && taken.includes(slug)
      ? 'the site itself has something at that address; take another'
      : notLatin(slug)
  },
  async read(session, baseline) {
    const [all, names] = await Promise.all([readEntries(session, room, [1, 2]), namesOf(session)])
    const rows = all.map(({ row }) => row)
    const refs = refsInTree(
      room,
      rows.map(({ id, data }) => ({ id: String(id), slug: data.slug ?? '', parent: data.parent ?? '' })),
    )
    const planned = new Map(areas.pages.plan(baseline).map(({ item }) => [areas.pages.ref(item) as string, item]))
    const going = new Set<string>(baseline.gone.pages?.map((path) => refOf(room, path)))
    return all.map(({ row, item, ...rest }) => {
      const { parent = '', order, hidden, formerly } = row.data
      const ref = refs.get(String(row.id)) ?? ''
      const plan = planned.get(ref)
      return {
        ...rest,
        item: {
          ...item,
          parent: refs.get(parent) ?? '',
          order: Number(order),
          hidden: hidden === 'true',
          movedFrom: linesOf(formerly),
          ...readingOf(row, rows, names, plan, going.has(ref)),
        },
        stamp: row.data.made,
        stored: storedReading(row, rows, names),
        address: new URL(`${ref.slice('pages/'.length)}/`, session.visitor.home).href,
      }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      const id = idOf(ref)
      if (difference.is === 'left over') return [Step.of(items, { room, id, remove: true }, { proves })]
      const { wanted } = difference
      const fresh = difference.is === 'missing'
      const which = fresh ? {} : { id: idOf(difference.found.ref) }
      const fields = fieldsOf(difference, (changed) => own(wanted, changed))
      const changed = changedIn(difference)
      const reads = ['state', 'for', 'may.write', 'may.edit', 'parent'].some(changed)
      const after = Object.keys(fields).length > 0 ? [ref] : []
      const shares = rightsIn(wanted)
      const isShared = Object.values(shares).some((who) => who.length > 0)
      const open = isForAll(wanted)
      // who may see it stands fast before it is to be seen
      return [
        // what it takes over from above it, nobody has planned for it
        ...(after.length > 0 || reads
          ? [Step.of(items, { room, ...which, fields: { ...fields, inherit: '' } }, { proves, gives: ref })]
          : []),
        ...(reads && (isShared || !fresh)
          ? [Step.of(sharing, { id, ...shares }, { proves, after: [ref], gives: sharedBy(ref) })]
          : []),
        ...(reads && (open || !fresh)
          ? [
              Step.of(
                states,
                { room, id, to: open ? 'publish' : 'retract' },
                { proves, after: [ref, ...(isShared || !fresh ? [sharedBy(ref)] : [])] },
              ),
            ]
          : []),
      ]
    }),
  again: (kept) => [
    ...entryAgain(room, kept, { parent: kept.item.parent ? idOf(kept.item.parent) : '0' }),
    Step.of(sharing, { id: idOf(kept.ref), ...rightsIn(kept.item) }, { proves: [], after: [kept.ref] }),
  ],
  ships: ({ samples, site: { language } }) =>
    samples === 'shipped'
      ? titlesIn(language).pages.map(([title, slug], index) => ({
          id: index + 1,
          item: {
            ...{ title, slug, state: 'published', order: 1 },
            parent: index === 0 ? '' : refOf(room, titlesIn(language).pages[0][1]),
          },
          marks: shipped,
        }))
      : [],
  shippedAt: ({ site: { language } }) =>
    titlesIn(language)
      .pages.slice(0, 1)
      .map(([, slug]) => `/${slug}`),
  eyes,
  takeAway: takePagesAway,
}

/** What a step gives that says whom a page is shared with. */
const sharedBy = (ref: string): string => `own.pages/shared/${ref}`

/** The fields that only pages have. */
function own(
  { parent, order, hidden, movedFrom }: ItemOf<'pages'>,
  changed: (key: string) => boolean,
): NonNullable<Parameters<typeof entryAgain>[2]> {
  return {
    ...(changed('parent') && parent !== undefined && { parent: parent === '' ? '0' : idOf(parent) }),
    ...(changed('order') && order !== undefined && { order: String(order) }),
    ...(changed('hidden') && hidden !== undefined && { hidden: hidden ? '1' : '' }),
    ...(changed('movedFrom') && movedFrom && { formerly: movedFrom.join('\n') }),
  }
}

/** Whom a page is shared with, as planned. */
function rightsIn(item: ItemOf<'pages'>) {
  const read = item.state === 'draft' || isForAll(item) ? [] : item.for
  return { read: asLoad(read), write: asLoad(item['may.write']), edit: asLoad(item['may.edit']) }
}
