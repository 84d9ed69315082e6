import { z } from 'zod'
import { know } from './shop.js'
import type { EverShopSession } from './session.js'
import { slugIn, type Variant } from './together.js'

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
const groupSchema = z.object({
  addItemApi: z.string(),
  variantAttributes: z.array(z.object({ attributeCode: z.string(), attributeName: z.string() })),
  items: z.array(
    z.object({
      attributes: z.array(z.object({ attributeCode: z.string(), optionText: z.string().nullish() })),
      product,
    }),
  ),
})
/** A product, as the system tells it; of a variant, which it is. */
export type Product = z.output<typeof product> & { variant?: Variant }
const listed = product.extend({ variantGroup: groupSchema.nullish() })
const schema = z.object({ products: z.object({ total: z.number(), items: z.array(listed) }) })

const AT_ONCE = 500
const fields = `productId uuid name sku status visibility urlKey url weight { value } taxClass description category { categoryId }
  image { origin } gallery { origin } inventory { qty } price { regular { value } }`
const variants = `variantGroup { addItemApi variantAttributes { attributeCode attributeName }
  items { attributes { attributeCode optionText } product { ${fields} } } }`
const part = (page: number): string => `{
  products(filters: [{ key: "limit", operation: eq, value: "${AT_ONCE}" }, { key: "page", operation: eq, value: "${page}" }]) {
    total items { ${fields} ${variants} }
  }
}`

/** All products: read once until that is stale. */
export const productsOf = (session: EverShopSession): Promise<Product[]> =>
  session.shelf.read('products', async () => {
    const rows: z.output<typeof listed>[] = []
    for (let page = 1; ; page += 1) {
      const { products } = await session.query(part(page), schema, 'the list of products')
      rows.push(...products.items)
      if (products.items.length === 0 || rows.length >= products.total) break
    }
    session.together.clear()
    const found = rows.flatMap(({ variantGroup, ...one }) =>
      variantGroup ? variantsOf(session, variantGroup, one) : [one],
    )
    for (const one of found) knowProduct(session, one)
    return found
  })

/** Numbers that are asked for at once, and how many at the most. */
const NUMBERS = { atOnce: 500, most: 10_000 }
const unlistedSchema = z.record(z.string(), product.nullable())

/**
 * All products, and of those that are named what no list shows: of a group, it shows the last product, and of the others those
 * that have a choice of their own. One that has lost it is found by its number, which is below that of the last.
 */
export async function productsNamed(session: EverShopSession, skus: ReadonlySet<string>): Promise<Product[]> {
  const seen = await productsOf(session)
  const known = new Set(seen.map(({ sku }) => sku))
  if (session.together.size === 0 || [...skus].every((sku) => known.has(sku))) return seen
  return session.shelf.read('products unlisted', async () => [...seen, ...(await unlisted(session, seen))])
}

async function unlisted(session: EverShopSession, seen: readonly Product[]): Promise<Product[]> {
  const known = new Set(seen.map(({ productId }) => productId))
  const gaps = Array.from({ length: Math.max(...known) }, (_, at) => at + 1)
    .filter((number) => !known.has(number))
    .slice(-NUMBERS.most)
  const found: Product[] = []
  for (let at = 0; at < gaps.length; at += NUMBERS.atOnce) {
    const asked = gaps
      .slice(at, at + NUMBERS.atOnce)
      .map((number) => `n${number}: product(id: ${number}) { ${fields} }`)
    const answer = await session.query(`{ ${asked.join(' ')} }`, unlistedSchema, 'products that no list shows')
    found.push(...Object.values(answer).flatMap((one) => one ?? []))
  }
  for (const one of found) knowProduct(session, one)
  return found
}

/** The list shows one of each group: here are all. */
function variantsOf(session: EverShopSession, group: z.output<typeof groupSchema>, listed: Product): Product[] {
  const names = new Map(group.variantAttributes.map((one) => [one.attributeCode, one.attributeName]))
  // one that has lost its choice is no variant any more
  const isLost = group.items.every(({ product: one }) => one.productId !== listed.productId)
  const rest = isLost ? [listed] : []
  const all = group.items.map(({ attributes, product: one }): Product => {
    const options = Object.fromEntries(
      attributes.map(({ attributeCode, optionText }) => [names.get(attributeCode) ?? attributeCode, optionText ?? '']),
    )
    return { ...one, variant: { slug: slugIn(one.urlKey ?? '', options), options } }
  })
  const slug = all[0]?.variant?.slug ?? ''
  const uuid = /variantGroups\/([^/]+)\/items/.exec(group.addItemApi)?.[1]
  // of two groups under one slug, one is where they stand together
  if (uuid === undefined || session.together.has(slug)) return [...all.map(alone), ...rest]
  const seen = (one: Product) => ({ shown: one.status === 1, visible: one.visibility !== 0 })
  session.together.set(slug, { uuid, members: new Map(all.map((one) => [one.productId, seen(one)])) })
  const shown = all.filter(({ status }) => status === 1)
  // where no list shows any of them, they don't stand together as visitors see it
  const isLed = shown.some(({ visibility }) => visibility !== 0)
  return [...all.map((one) => (isLed || one !== shown[0] ? one : alone(one))), ...rest]
}
const alone = ({ variant: _, ...one }: Product): Product => one

function knowProduct(session: EverShopSession, { productId, uuid, taxClass, category, description }: Product): void {
  know(session, `products/${productId}`, uuid, {
    ...{ tax_class: taxClass ?? null, category_id: category?.categoryId ?? null, description: description ?? [] },
  })
}
