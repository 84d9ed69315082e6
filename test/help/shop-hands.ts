import { builtIn, Secret, type Baseline } from 'unpack'
import { shopOwner, type LabShop } from './lab-shop.js'
import { seedBaseline } from './seeds.js'
import { ownFolders } from './sites.js'

/** What this system hasn't got of the demo's plan. */
const LEAVE =
  'owner.first, owner.last, store.trade, store.goods, store.size, store.offers, store.shipping.freeFrom, products.salePrice, products.categories'
const json = { 'content-type': 'application/json' }
interface Data {
  data?: { accessToken?: string; uuid?: string; products?: { items: { sku: string }[] } }
  error?: { message: string }
}

/** What tests do at a real shop beside what they test. */
export function handsOn(shop: LabShop, root: string) {
  const { address } = shop
  /** Asks as whoever has this cookie or token, behind the back of whatever runs. */
  const ask = async (method: string, place: string, body?: unknown, as: Record<string, string> = {}) => {
    const answer = await fetch(new URL(place, address), {
      ...{ method, headers: { ...json, ...as } },
      ...(body !== undefined && { body: JSON.stringify(body) }),
    })
    const text = await answer.text()
    return {
      status: answer.status,
      headers: answer.headers,
      text,
      data: text.startsWith('{') ? (JSON.parse(text) as Data) : {},
    }
  }
  return {
    ask,
    /** A fresh shop, with the owner's login stored. */
    async fresh() {
      await shop.reset()
      const options = { systems: builtIn, ...(await ownFolders(root)) }
      await options.logins.put(address, shopOwner.username, new Secret(shopOwner.password))
      return options
    },
    /** The demo's plan, as far as this system can be given it. */
    seeds: (change: (text: string) => string = (same) => same, rows?: (table: string) => string): Baseline =>
      seedBaseline(
        address,
        (text) =>
          change(
            text
              .replace('ines@seeds.example', shopOwner.email)
              .replace('shipped: remove', `shipped: remove\nleave: [${LEAVE}]`),
          ),
        rows,
      ),
    async asOwner() {
      const { email, password } = shopOwner
      const { headers } = await ask('POST', 'admin/user/login', { email, password })
      return { cookie: (headers.get('set-cookie') ?? '').split(';')[0] ?? '' }
    },
    /** What a query of one value finds. */
    one: (sql: string) => shop.sql(sql).trim(),
    lines: (sql: string) => shop.sql(sql).trim().split('\n'),
  }
}
