import { z } from 'zod'
import type { Id } from '../../../core/area.js'
import type { AddressOf, IdOf, Resolved, TextOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { rowsOf } from '../blocks.js'
import type { EverShopSession } from '../session.js'
import { know } from '../shop.js'
import { leaveOthers, standTogether, variantFields, type Variant } from '../together.js'

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
  /** Of a product that stands together with others: which one it is. */
  variant?: Variant
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
    session.shelf.forget('shop', 'products', 'products unlisted')
    const key = `${sort}/${id ?? ''}`
    const place = `api/${sort}`
    const uuid = session.uuids.get(key)
    if (id !== undefined && uuid === undefined) return [{ refused: 'it is no longer there' }]
    if (remove) {
      const sent = await session.write('DELETE', `${place}/${uuid ?? ''}`)
      const refused = sent.refused ?? (sort === 'products' ? await leaveOthers(session, Number(id)) : undefined)
      return [refused === undefined ? {} : { refused }]
    }
    const base = session.bases.get(key) ?? {}
    const { variant, fields: { status } = {} } = load
    const shown = status === undefined ? undefined : status === 1
    const number = id === undefined ? undefined : Number(id)
    const own = variant && (await variantFields(session, variant, number, shown))
    if (own && 'refused' in own) return [own]
    const json: Record<string, unknown> = { ...base, ...bodyOf(load), ...own }
    const beside = async (done: Id): Promise<Carried> => {
      const refused = variant && own && (await standTogether(session, variant, Number(done), { ...own, status }))
      return refused === undefined ? { id: done } : { refused }
    }
    const sent = await session.write(id === undefined ? 'POST' : 'PATCH', `${place}${uuid ? `/${uuid}` : ''}`, { json })
    if (sent.refused !== undefined) return [sent]
    const now = Object.fromEntries(sentAlong[sort].flatMap((name) => (name in json ? [[name, json[name]]] : [])))
    if (id !== undefined) {
      session.bases.set(key, now)
      return [await beside(id)]
    }
    const { data } = made.parse(sent.data)
    const newOne = z.coerce.number().parse(data[numbers[sort]] ?? data.insertId)
    know(session, `${sort}/${newOne}`, data.uuid, now)
    return [await beside(newOne)]
  },
}

const bodyOf = ({ fields = {}, text }: Resolved<ItemFields>): Record<string, unknown> => ({
  ...fields,
  ...(text && { [text.name]: rowsOf(text.body) }),
})
