import { z } from 'zod'
import { encode } from './escape.js'

/* Texts are rows of columns of blocks on this system. Ours are one block of HTML. */

const block = z.looseObject({ type: z.string(), data: z.looseObject({}) })
const rows = z.array(
  z.looseObject({ columns: z.array(z.looseObject({ data: z.looseObject({ blocks: z.array(block).optional() }) })) }),
)

/** A text as the system holds texts. */
export const rowsOf = (html: string): object[] =>
  html === ''
    ? []
    : [
        {
          ...{ id: 'r__text', size: 1 },
          columns: [
            {
              ...{ id: 'c__text', size: 1 },
              data: { time: 0, version: '2.30.2', blocks: [{ id: 'text', type: 'raw', data: { html } }] },
            },
          ],
        },
      ]

/** Bytes that the system takes at once. */
const MOST = 100 * 1024
/** What stands beside a text in what is sent. */
const BESIDE = 2048

/** Why a text can't be given. */
export const tooLong = (html: unknown): string | undefined =>
  typeof html === 'string' && new TextEncoder().encode(JSON.stringify(rowsOf(html))).length > MOST - BESIDE
    ? 'this system takes no text longer than 100 KiB'
    : undefined

/** The HTML of a text; what it is made of where that is none of ours is told apart, not written. */
export function htmlOfRows(value: unknown): string {
  const read = rows.safeParse(value).data ?? []
  return read
    .flatMap(({ columns }) => columns)
    .flatMap(({ data }) => data.blocks ?? [])
    .map(({ type, data }) => {
      if (type === 'raw' && typeof data.html === 'string') return data.html
      if (type === 'paragraph' && typeof data.text === 'string') return `<p>${data.text}</p>`
      return `<pre>${encode(JSON.stringify({ type, data }))}</pre>`
    })
    .join('\n')
}
