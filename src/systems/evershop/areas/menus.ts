import { z } from 'zod'
import { refOf } from '../../../core/ref.js'
import type { MenuEntry } from '../../../core/areas/menus.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { addressOf } from '../../later.js'
import { Step } from '../../step.js'
import { widgets } from '../carriers/widgets.js'
import type { EverShopSession } from '../session.js'
import { shopOf, type Shop } from '../shop.js'
import { places, widgetOf } from '../widgets.js'

const link = z.looseObject({ url: z.string(), name: z.string().optional(), label: z.string().optional() })
/** The head's menu is a list, the foot's stands in columns. */
const settingsSchema = z.looseObject({
  menus: z.array(link).default([]),
  columns: z.array(z.looseObject({ links: z.array(link).default([]) })).default([]),
})
const here = ['main', 'footer'] as const

/** The menus at the head and the foot of all pages: they lead by addresses. */
export const menus: AreaOnSystem<'menus', EverShopSession> = {
  keys: ['place', 'entries'],
  async read(session, { menus: planned = {} }) {
    const shop = await shopOf(session)
    return here.flatMap((place) => {
      const own = widgetOf(places[place], shop)
      if (!own && !(place in planned)) return []
      const settings = settingsSchema.safeParse(own?.rawSettings).data
      const links = [...(settings?.menus ?? []), ...(settings?.columns ?? []).flatMap((column) => column.links)]
      const entries = links.map(({ name, label, url }) => entryAt(shop, session.visitor.home, url, name ?? label ?? ''))
      const marks = own ? undefined : { place: true, untouched: true, known: true }
      return [{ id: place, item: { place, entries }, marks, copy: { entries } }]
    })
  },
  choices: () => Promise.resolve({ place: here }),
  translate: (differences) =>
    differences.flatMap((difference) => {
      const item = difference.is === 'left over' ? difference.found.item : difference.wanted
      const place = here.find((one) => one === item.place)
      if (place === undefined) return []
      const entries = difference.is === 'left over' ? [] : difference.wanted.entries
      const menus = entries.map((entry, index) => ({
        ...{ id: `entry-${index + 1}`, name: entry.label },
        url: 'link' in entry ? entry.link : addressOf(entry.ref),
      }))
      const gives = difference.is === 'left over' ? undefined : difference.ref
      return [Step.of(widgets, { place: places[place], menus }, { proves: [difference], gives })]
    }),
}

/** What an address leads to: a category or a page of this shop, or elsewhere. */
function entryAt({ categories, cmsPages }: Shop, home: string, url: string, label: string): MenuEntry {
  const at = new URL(url, home).href
  const category = categories.items.find((one) => new URL(one.url ?? '', home).href === at)
  if (category) return { ref: refOf('categories', category.urlKey ?? ''), label }
  const page = cmsPages.items.find((one) => new URL(one.url, home).href === at)
  return page ? { ref: refOf('pages', page.urlKey), label } : { link: url, label }
}
