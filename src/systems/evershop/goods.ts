import { z } from 'zod'
import { know } from './shop.js'
import type { EverShopSession } from './session.js'

/* Products, a part of the list after the other. */

const product = z.object({
  ...{ productId: z.number(), uuid: z.string(), name: z.string(), sku: z.string(), status: z.number() },
  ...{ visibility: z.number().nullish(), urlKey: z.string().nullish(), url: z.string().nullish() },
  weight: z.object({ value: z.number() }),
  taxClass: z.number().nullish(),
  description: z.unknown(),
  category: z.object({ categoryId: z.number() }).nullish(),
  image: z.object({ origin: z.string().nullish() }).nullish(),
  gallery: z.array(z.object({ origin: z.string().nullish() })).nullish(),
  inventory: z.object({ qty: z.number() }),
  price: z.object({ regular: z.object({ value: z.number() }) }),
})
/** A product, as the system tells it. */
export type Product = z.output<typeof product>
const schema = z.object({ products: z.object({ total: z.number(), items: z.array(product) }) })

const AT_ONCE = 500
const part = (page: number): string => `{
  products(filters: [{ key: "limit", operation: eq, value: "${AT_ONCE}" }, { key: "page", operation: eq, value: "${page}" }]) {
    total
    items { productId uuid name sku status visibility urlKey url weight { value } taxClass description category { categoryId }
      image { origin } gallery { origin } inventory { qty } price { regular { value } } }
  }
}`

/** All products: read once until that is stale. */
export const productsOf = (session: EverShopSession): Promise<Product[]> =>
  session.shelf.read('products', async () => {
    const found: Product[] = []
    for (let page = 1; ; page += 1) {
      const { products } = await session.query(part(page), schema, 'the list of products')
      found.push(...products.items)
      if (products.items.length === 0 || found.length >= products.total) break
    }
    for (const one of found) knowProduct(session, one)
    return found
  })

function knowProduct(session: EverShopSession, { productId, uuid, taxClass, category, description }: Product): void {
  know(session, `products/${productId}`, uuid, {
    ...{ tax_class: taxClass ?? null, category_id: category?.categoryId ?? null, description: description ?? [] },
  })
}
