import { z } from 'zod'
import type { AddressOf, Resolved, TextOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { rowsOf } from '../blocks.js'
import { carried, type EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { widgetOf, type Place } from '../widgets.js'

const made = z.object({ data: z.object({ uuid: z.string() }) })

export interface WidgetFields {
  place: Place
  text?: TextOf
  menus?: readonly Link[]
}
interface Link {
  id: string
  name: string
  url: string | AddressOf
}

type Held = { text: string; menus: readonly Resolved<Link>[] }
const settingsOf: Record<Place['type'], (held: Held) => object> = {
  text_block: ({ text }) => ({ text: JSON.stringify(rowsOf(text)), className: '' }),
  basic_menu: ({ menus }) => ({
    menus: menus.map((one) => ({ ...one, type: 'custom', uuid: '', newTab: false, children: [] })),
    isMain: true,
    className: '',
  }),
  // one column without a title
  footer_menu: ({ menus }) => ({
    columns: [
      { id: 'column-1', title: '', links: menus.map(({ id, name, url }) => ({ id, label: name, url, newTab: false })) },
    ],
  }),
}

/** What stands at a place of all pages, or of the front page: a text, or a menu. */
export const widgets: Carrier<WidgetFields, EverShopSession> = {
  name: 'texts and menus',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { place, text = '', menus = [] } = load
    const own = widgetOf(place, await shopOf(session))
    const { name, type, area, route } = place
    const settings = settingsOf[type]({ text, menus })
    const json = { name, type, area: [area], route: [route], status: 1, sort_order: 10, settings }
    const sent = await session.write(own ? 'PATCH' : 'POST', own ? `api/widgets/${own.uuid}` : 'api/widgets', { json })
    session.shelf.forget('shop')
    if (sent.refused !== undefined || own) return [carried(sent)]
    return [{ id: made.parse(sent.data).data.uuid }]
  },
}
