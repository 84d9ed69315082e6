import { z } from 'zod'
import type { EverShopSession } from './session.js'

/* What stands in the shop, but for products and files: read at once. */

const text = z.string().nullish()
const uuid = z.string()
const money = z.object({ value: z.number() })
const category = z.object({
  ...{ categoryId: z.number(), uuid, name: z.string(), urlKey: text, status: z.number(), url: text },
  description: z.unknown(),
  image: z.object({ url: z.string() }).nullish(),
  parent: z.object({ categoryId: z.number() }).nullish(),
})
const rate = z.object({
  ...{ uuid, name: z.string(), rate: z.number(), country: z.string(), province: z.string(), postcode: z.string() },
  priority: z.number(),
})
const zone = z.object({ uuid, name: z.string(), countries: z.array(z.object({ code: z.string() })) })
const cost = z.object({ cost: money })
const method = z.object({
  ...{ uuid, name: z.string(), isEnabled: z.boolean() },
  rates: z.array(
    z.object({
      ...{ uuid, isEnabled: z.boolean(), cost: money.nullish(), conditionType: text },
      zone: z.object({ uuid }).nullish(),
      priceBasedCost: z.array(cost.extend({ minPrice: money })).nullish(),
      weightBasedCost: z.array(cost.extend({ minWeight: money })).nullish(),
    }),
  ),
})
const page = z.object({
  ...{ cmsPageId: z.number(), uuid, name: z.string(), urlKey: z.string(), status: z.number(), url: z.string() },
  content: z.unknown(),
})
const widget = z.object({
  ...{ uuid, name: z.string(), type: z.string(), status: z.number(), rawSettings: z.unknown() },
  area: z.array(z.string()),
  route: z.array(z.string()),
})
const settings = [
  ...['storeName', 'storeDescription', 'storeLanguage', 'storeTimeZone', 'storeEmail', 'storePhoneNumber'],
  ...['storeCountry', 'storeAddress', 'storeCity', 'storeProvince', 'storePostalCode', 'storeCurrency'],
  ...['weightUnit', 'dimensionUnit', 'codDisplayName', 'logo', 'favicon'],
] as const
const setting = z.object({
  ...(Object.fromEntries(settings.map((name) => [name, text])) as Record<(typeof settings)[number], typeof text>),
  priceIncludingTax: z.boolean().nullish(),
  allowedCountries: z.array(z.string()).nullish(),
  codPaymentStatus: z.number().nullish(),
})
const schema = z.object({
  version: z.string(),
  setting,
  currentAdminUser: z.object({ uuid, email: z.string(), fullName: text }),
  categories: z.object({ items: z.array(category) }),
  taxClasses: z.object({
    items: z.array(z.object({ taxClassId: z.number(), uuid, name: z.string(), rates: z.array(rate).nullish() })),
  }),
  shippingZones: z.array(zone),
  coreShippingMethods: z.array(method),
  packages: z.array(z.object({ packageId: z.number(), isDefault: z.boolean() })),
  attributeGroups: z.object({ items: z.array(z.object({ attributeGroupId: z.coerce.number() })) }),
  cmsPages: z.object({ items: z.array(page) }),
  widgets: z.object({ items: z.array(widget) }),
  customers: z.object({ total: z.number() }),
  orders: z.object({ total: z.number(), items: z.array(z.object({ orderNumber: z.string() })) }),
})
/** What stands in a shop. */
export type Shop = z.output<typeof schema>

/** Without a limit, lists end after twenty. */
export const all = '(filters: [{ key: "limit", operation: eq, value: "10000" }])'
/** Orders are not read further than needed to know whether there are any that are not ours. */
const few = '(filters: [{ key: "limit", operation: eq, value: "100" }])'

const query = `{
  version
  setting { ${settings.join(' ')} priceIncludingTax allowedCountries codPaymentStatus }
  currentAdminUser { uuid email fullName }
  categories${all} { items { categoryId uuid name urlKey status url description image { url } parent { categoryId } } }
  taxClasses { items { taxClassId uuid name rates { uuid name rate country province postcode priority } } }
  shippingZones { uuid name countries { code } }
  coreShippingMethods { uuid name isEnabled rates { uuid isEnabled conditionType cost { value } zone { uuid }
    priceBasedCost { minPrice { value } cost { value } } weightBasedCost { minWeight { value } cost { value } } } }
  packages { packageId isDefault }
  attributeGroups { items { attributeGroupId } }
  cmsPages${all} { items { cmsPageId uuid name urlKey status url content } }
  widgets${all} { items { uuid name type status rawSettings area route } }
  customers { total }
  orders${few} { total items { orderNumber } }
}`

/** What stands in the shop: read once until it is stale. */
export const shopOf = (session: EverShopSession): Promise<Shop> =>
  session.shelf.read('shop', async () => {
    const shop = await session.query(query, schema, 'what stands in the shop')
    for (const { categoryId, uuid, description, parent, image } of shop.categories.items)
      know(session, `categories/${categoryId}`, uuid, {
        ...{
          description: description ?? [],
          parent_id: parent?.categoryId ?? null,
          ...(image && { image: image.url }),
        },
      })
    for (const { cmsPageId, uuid, content, status } of shop.cmsPages.items)
      know(session, `pages/${cmsPageId}`, uuid, { content: content ?? [], status })
    // every product that is made wants a box, and a group of attributes
    const box = shop.packages.find(({ isDefault }) => isDefault) ?? shop.packages[0]
    const [group] = shop.attributeGroups.items
    session.bases.set('products/', { package_id: box?.packageId, group_id: group?.attributeGroupId })
    for (const { taxClassId, uuid } of shop.taxClasses.items) know(session, `taxes/${taxClassId}`, uuid, {})
    return shop
  })

/** Remembers what an item's changes need. */
export function know(
  session: EverShopSession,
  key: string,
  uuid: string,
  base: Readonly<Record<string, unknown>>,
): void {
  session.uuids.set(key, uuid)
  session.bases.set(key, base)
}
