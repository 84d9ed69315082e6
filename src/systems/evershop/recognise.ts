import { load } from 'cheerio'
import { z } from 'zod'
import type { Recognised } from '../../core/findings.js'
import { originOf } from '../../core/shipped.js'
import { jsonOf } from '../../web/answer.js'
import type { FirstLook } from '../system.js'
import { shipped, shippedCategories } from './shipped.js'

const named = z.array(z.object({ urlKey: z.string().nullish() }))
const schema = z.object({
  data: z.object({
    setting: z.object({ storeName: z.string().nullish() }),
    categories: z.object({ items: named }),
    products: z.object({ items: named }),
    cmsPages: z.object({ items: named }),
  }),
})
const query =
  '{ setting { storeName } categories { items { urlKey } } products { items { urlKey } } cmsPages { items { urlKey } } }'

/** Knows the system by how its pages are built, and by what its interface tells any visitor. */
export async function recognise({ front, ask }: FirstLook): Promise<Recognised | undefined> {
  const $ = load(front.text)
  if ($('[data-evershop-area-id]').length === 0) return undefined
  // it lives at the top of its server
  const address = new URL('/', front.url).href
  const known = { id: 'evershop', name: 'EverShop', version: '', address, state: 'set up' as const }
  const answer = await ask?.(new URL('/api/graphql', address).href, { query })
  const told = answer?.status === 200 ? schema.safeParse(jsonOf(answer)).data?.data : undefined
  if (!told) return known
  const ships = new Set<string>(shippedCategories.map(([, slug]) => slug))
  const seen = (area: string, items: z.output<typeof named>) =>
    items.map(({ urlKey }) => ({
      ref: `${area}/${urlKey ?? ''}`,
      origin: originOf(area === 'categories' && ships.has(urlKey ?? '') ? shipped : undefined),
    }))
  return {
    ...known,
    seen: [
      ...seen('categories', told.categories.items),
      ...seen('products', told.products.items),
      ...seen('pages', told.cmsPages.items),
    ],
  }
}
