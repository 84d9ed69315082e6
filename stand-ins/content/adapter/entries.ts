import { bodyOf, idOf, refOf, slugOf, Step, type AnyDifference, type Kept } from 'unpack'
import { z } from 'zod'
import type { Row, StandInSession } from '../../common/adapter/session.js'
import { sinceOf } from '../../common/adapter/since.js'
import { items, states, type ItemFields, type Sort } from './carriers/forms.js'
import { marksOf } from './shipped.js'

/** Pages, news or events: the list, and a form an item for its text. @param shipped numbers of those that ship */
export async function readEntries(session: StandInSession, room: Sort, shipped: readonly number[]) {
  const [rows, since] = await Promise.all([session.rows(room), sinceOf(session)])
  return Promise.all(
    rows.map(async (row) => {
      const { body = '', ...form } = await session.form(`${room}/${row.id}`)
      const { slug = '', summary = '', tags = '' } = row.data
      const item = {
        title: row.cells[0] ?? '',
        slug,
        body,
        summary,
        tags: linesOf(tags).map((name) => refOf('tags', slugOf(name))),
      }
      const copy = { ...form, body, state: row.data.state, token: undefined }
      return { id: row.id, row, item, marks: marksOf(row, body, shipped, since), copy, text: item.title }
    }),
  )
}
export const linesOf = (text = ''): string[] => text.split('\n').filter((line) => line !== '')
export const stateOf = ({ data }: Row): 'published' | 'draft' => (data.state === 'published' ? 'published' : 'draft')

interface Wanted {
  title: string
  slug: string
  summary?: string
  body?: string
  tags?: readonly string[]
  state?: 'published' | 'draft'
}

/** The fields of an item's form that differ. @param more its other fields */
export function fieldsOf(
  difference: AnyDifference,
  more: (changed: (key: string) => boolean) => NonNullable<ItemFields['fields']>,
): NonNullable<ItemFields['fields']> {
  if (difference.is === 'left over') return {}
  const { title, slug, summary, body, tags } = difference.wanted as Wanted
  const changed = changedIn(difference)
  return {
    ...(changed('title') && { title }),
    ...(changed('slug') && { slug }),
    ...(changed('summary') && summary !== undefined && { summary }),
    ...(changed('body') && body !== undefined && { body: bodyOf(body) }),
    ...(changed('tags') && tags && { tags: tags.map(idOf) }),
    ...more(changed),
  }
}
export const changedIn =
  (difference: AnyDifference) =>
  (key: string): boolean =>
    difference.is === 'missing' ||
    (difference.is === 'different' && (difference.fields as readonly string[]).includes(key))

/** The steps for a piece of news or an event: written first, and then published. */
export function entrySteps(
  room: 'news' | 'events',
  difference: AnyDifference,
  more: Parameters<typeof fieldsOf>[1],
): Step[] {
  const proves = [difference]
  const id = idOf(difference.ref)
  if (difference.is === 'left over') return [Step.of(items, { room, id, remove: true }, { proves })]
  const { state } = difference.wanted as Wanted
  const fresh = difference.is === 'missing'
  const fields = fieldsOf(difference, more)
  const own = Object.keys(fields).length > 0
  const which = fresh ? {} : { id: idOf(difference.found.ref) }
  return [
    ...(own ? [Step.of(items, { room, ...which, fields }, { proves, gives: difference.ref })] : []),
    ...(changedIn(difference)('state') && (state !== 'draft' || !fresh)
      ? [
          Step.of(
            states,
            { room, id, to: state === 'draft' ? 'retract' : 'publish' },
            { proves, after: own ? [difference.ref] : [] },
          ),
        ]
      : []),
  ]
}

const copySchema = z.looseObject({ state: z.string() })
/** Makes a removed one again from what was kept. @param more what it stands under */
export function entryAgain(room: Sort, { ref, copy }: Kept, more: NonNullable<ItemFields['fields']> = {}): Step[] {
  const { state, ...form } = copySchema.parse(copy)
  const fields = Object.fromEntries(
    Object.entries(form).filter((one): one is [string, string] => typeof one[1] === 'string'),
  )
  const made = Step.of(items, { room, fields: { ...fields, ...more } }, { proves: [], gives: ref })
  const open = Step.of(states, { room, id: idOf(ref), to: 'publish' }, { proves: [], after: [ref] })
  return state === 'published' ? [made, open] : [made]
}
