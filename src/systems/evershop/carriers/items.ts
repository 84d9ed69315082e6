import { z } from 'zod'
import type { AddressOf, IdOf, Resolved, TextOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { rowsOf } from '../blocks.js'
import { carried, type EverShopSession } from '../session.js'
import { know } from '../shop.js'

type Sort = 'categories' | 'products' | 'pages'
export interface ItemFields {
  sort: Sort
  /** Which one; a new one where left out. */
  id?: IdOf
  remove?: boolean
  /** What differs, by the system's own names. */
  fields?: Readonly<Record<string, string | number | null | IdOf | readonly AddressOf[] | AddressOf>>
  /** Its text, and the name under which it is sent. */
  text?: { name: string; body: TextOf }
}

const made = z.object({ data: z.looseObject({ uuid: z.string() }) })
/** What a change that does not say it would clear. */
const sentAlong: Record<Sort, readonly string[]> = {
  categories: ['description', 'parent_id', 'image'],
  products: ['tax_class', 'category_id', 'description'],
  pages: ['content', 'status'],
}
const numbers: Record<Sort, string> = { categories: 'category_id', products: 'product_id', pages: 'cms_page_id' }

/**
 * Categories, products and pages. A change clears whatever of some fields is not sent again, so that these go along as they
 * stand there.
 */
export const items: Carrier<ItemFields, EverShopSession> = {
  name: 'items',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { sort, id, remove } = load
    session.shelf.forget('shop', 'products')
    const key = `${sort}/${id ?? ''}`
    const place = `api/${sort}`
    const uuid = session.uuids.get(key)
    if (id !== undefined && uuid === undefined) return [{ refused: 'it is no longer there' }]
    if (remove) return [carried(await session.write('DELETE', `${place}/${uuid ?? ''}`))]
    const base = session.bases.get(key) ?? {}
    const json: Record<string, unknown> = { ...base, ...bodyOf(load) }
    const sent = await session.write(id === undefined ? 'POST' : 'PATCH', `${place}${uuid ? `/${uuid}` : ''}`, { json })
    if (sent.refused !== undefined) return [sent]
    const now = Object.fromEntries(sentAlong[sort].flatMap((name) => (name in json ? [[name, json[name]]] : [])))
    if (id !== undefined) {
      session.bases.set(key, now)
      return [{ id }]
    }
    const { data } = made.parse(sent.data)
    const number = z.coerce.number().parse(data[numbers[sort]] ?? data.insertId)
    know(session, `${sort}/${number}`, data.uuid, now)
    return [{ id: number }]
  },
}

const bodyOf = ({ fields = {}, text }: Resolved<ItemFields>): Record<string, unknown> => ({
  ...fields,
  ...(text && { [text.name]: rowsOf(text.body) }),
})
