import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import type { itemSchema } from '../menus.js'
import { refusal, type WordPressSession } from '../session.js'

export interface MenuAgain {
  menu: { name: string; description: string; locations: readonly string[]; auto_add: boolean }
  items: readonly (z.output<typeof itemSchema> & { leadsTo: IdOf | number })[]
}

const made = z.looseObject({ id: z.number() })
const kept = [
  'type',
  'object',
  'url',
  'attr_title',
  'classes',
  'description',
  'target',
  'xfn',
  'menu_order',
  'status',
] as const

/** A menu with its entries, one after another: an entry may stand below one before it. */
export const menuAgain: Carrier<MenuAgain, WordPressSession> = {
  name: 'menus as they were',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const answer = await session.rest('POST', '/wp/v2/menus', '', load.menu)
    const menu = made.safeParse(jsonOf(answer)).data?.id
    if (menu === undefined) return [{ refused: refusal(answer.status, jsonOf(answer)) }]
    const now = new Map<number, number>()
    for (const { id, title, parent, leadsTo, ...rest } of load.items) {
      const fields = rest as Readonly<Record<string, unknown>>
      const body = {
        ...Object.fromEntries(kept.filter((name) => fields[name] !== undefined).map((name) => [name, fields[name]])),
        title:
          typeof title === 'string'
            ? title
            : (title as { raw?: string; rendered: string }).raw || (title as { rendered: string }).rendered,
        object_id: leadsTo,
        parent: now.get(parent) ?? 0,
        menus: menu,
      }
      const put = await session.rest('POST', '/wp/v2/menu-items', '', body)
      const item = made.safeParse(jsonOf(put)).data?.id
      if (item === undefined) return [{ refused: refusal(put.status, jsonOf(put)) }]
      now.set(id, item)
    }
    session.shelf.forget('menus', 'menu-items', 'menu-locations')
    return [{ id: menu }]
  },
}
