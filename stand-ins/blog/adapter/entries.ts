import { Step } from 'unpack'
import { z } from 'zod'
import { items } from './carriers/forms.js'
import { marksOf } from './marks.js'
import type { StandInSession } from './session.js'

const copySchema = z.strictObject({
  title: z.string(),
  slug: z.string(),
  body: z.string(),
  state: z.enum(['published', 'draft']),
})

/** Posts or pages: the list, and a form an item for its text. */
export async function readEntries(session: StandInSession, room: 'posts' | 'pages', shipped: readonly number[]) {
  const rows = await session.rows(room)
  return Promise.all(
    rows.map(async (row) => {
      const { title = '', slug = '', body = '', state } = await session.form(`${room}/${row.id}`)
      const item = { title, slug, body, state: state === 'draft' ? ('draft' as const) : ('published' as const) }
      return {
        id: row.id,
        item,
        marks: marksOf(row, body, shipped),
        address: new URL(room === 'posts' ? `post/${slug}` : `${slug}/`, session.visitor.home).href,
        copy: item,
      }
    }),
  )
}

/** The step that makes a removed one again from its copy. */
export function entryAgain(room: 'posts' | 'pages', copy: unknown): Step {
  const { title, slug, body, state } = copySchema.parse(copy)
  return Step.of(items, { room, fields: { title, slug, body, state } }, { proves: [], gives: `${room}/${slug}` })
}
