import { z } from 'zod'
import type { AddressOf, TextOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { rowsOf } from '../blocks.js'
import { carried, type EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { widgetOf, type Place } from '../widgets.js'

const made = z.object({ data: z.object({ uuid: z.string() }) })

export interface WidgetFields {
  place: Place
  text?: TextOf
  menus?: readonly { id: string; name: string; url: string | AddressOf }[]
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
    const settings =
      place.type === 'text_block'
        ? { text: JSON.stringify(rowsOf(text)), className: '' }
        : {
            menus: menus.map((one) => ({ ...one, type: 'custom', uuid: '', newTab: false, children: [] })),
            isMain: true,
            className: '',
          }
    const { name, type, area, route } = place
    const json = { name, type, area: [area], route: [route], status: 1, sort_order: 10, settings }
    const sent = await session.write(own ? 'PATCH' : 'POST', own ? `api/widgets/${own.uuid}` : 'api/widgets', { json })
    session.shelf.forget('shop')
    if (sent.refused !== undefined || own) return [carried(sent)]
    return [{ id: made.parse(sent.data).data.uuid }]
  },
}
