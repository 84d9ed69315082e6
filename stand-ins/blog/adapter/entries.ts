import { bodyOf, Step, type TextOf, type Kept, idOf } from 'unpack'
import { z } from 'zod'
import { items, type ItemFields } from './carriers/forms.js'
import { marksOf } from './marks.js'
import { firstAccountMade } from '../../common/adapter/first-minutes.js'
import type { StandInSession } from '../../common/adapter/session.js'

const copySchema = z.object({
  title: z.string(),
  slug: z.string(),
  body: z.string(),
  state: z.enum(['published', 'draft']),
  date: z.string().optional(),
  parent: z.string().optional(),
  order: z.string().optional(),
  categories: z.string().optional(),
  tags: z.string().optional(),
})

/** Posts or pages: the list, and a form an item for its text. */
export async function readEntries(session: StandInSession, room: 'posts' | 'pages', shipped: readonly number[]) {
  const [rows, accounts] = await Promise.all([session.rows(room), session.rows('accounts')])
  const born = firstAccountMade(accounts)
  return Promise.all(
    rows.map(async (row) => {
      const form = await session.form(`${room}/${row.id}`)
      const { title = '', slug = '', body = '', state } = form
      const item = { title, slug, body, state: state === 'draft' ? ('draft' as const) : ('published' as const) }
      return { row, item, marks: marksOf(row, body, shipped, born), copy: { ...form, token: undefined } }
    }),
  )
}

/** The text that a step writes: where none stands yet, or where another is wanted. */
export function bodyIn(difference: { wanted: { body?: string }; fields?: readonly string[] }): { body?: TextOf } {
  const { body } = difference.wanted
  const writes = difference.fields?.includes('body') ?? true
  return body !== undefined && writes ? { body: bodyOf(body) } : {}
}

/** The step that makes a removed one again from what was kept: what it stood under and in goes by its ref. */
export function entryAgain(room: 'posts' | 'pages', { ref, item, copy }: Kept<Linked>): Step {
  const fields = Object.fromEntries(
    Object.entries(copySchema.parse(copy)).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
  )
  const refs = (all: readonly string[] = []) => all.map(idOf)
  const links: NonNullable<ItemFields['fields']> =
    room === 'pages'
      ? { parent: item.parent ? idOf(item.parent) : '0' }
      : { categories: refs(item.categories), tags: refs(item.tags) }
  return Step.of(items, { room, fields: { ...fields, ...links } }, { proves: [], gives: ref })
}

interface Linked {
  parent?: string
  categories?: readonly string[]
  tags?: readonly string[]
}
