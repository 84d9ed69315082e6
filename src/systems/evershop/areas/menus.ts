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

const settingsSchema = z.looseObject({ menus: z.array(z.looseObject({ name: z.string(), url: z.string() })) })

/** The menu at the head of all pages: it leads by addresses. */
export const menus: AreaOnSystem<'menus', EverShopSession> = {
  keys: ['place', 'entries'],
  async read(session, { menus: planned = {} }) {
    const shop = await shopOf(session)
    const own = widgetOf(places.main, shop)
    if (!own && !('main' in planned)) return []
    const listed = settingsSchema.safeParse(own?.rawSettings).data?.menus ?? []
    const entries = listed.map(({ name, url }) => entryAt(shop, session.visitor.home, url, name))
    const marks = own ? undefined : { place: true, untouched: true, known: true }
    return [{ id: 'main', item: { place: 'main', entries }, marks, copy: { entries } }]
  },
  choices: () => Promise.resolve({ place: ['main'] }),
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over')
        return [Step.of(widgets, { place: places.main, menus: [] }, { proves: [difference] })]
      const entries = difference.wanted.entries.map((entry, index) => ({
        ...{ id: `entry-${index + 1}`, name: entry.label },
        url: 'link' in entry ? entry.link : addressOf(entry.ref),
      }))
      return [Step.of(widgets, { place: places.main, menus: entries }, { proves: [difference], gives: difference.ref })]
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
