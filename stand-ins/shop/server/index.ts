import { standInSite, type StandInSite } from '../../common/server/site.js'
import { VERSION } from '../../common/server/version.js'
import { dashboard } from './dashboard/index.js'
import { firstRunForm } from './first-run.js'
import { emptyShop, type Shop } from './model.js'
import { publicPages } from './public/index.js'
import { inUse, setUp } from './ships.js'

/** What a stand-in shop is like when it starts. */
export interface StandInShopOptions {
  /** Its version. Any other than 1.0 ships a text and a product that no adapter knows. */
  version?: string
  standing?: 'first-run' | 'fresh' | 'in-use'
  /** The folder it lives in, with a slash at both ends. */
  base?: string
  /** The owner of one that is set up already. */
  owner?: { username: string; password: string }
}

/** A stand-in shop that is running, with everything in reach that a test may want to change behind its back. */
export interface StandInShop extends StandInSite {
  shop: Shop
}

/**
 * Makes a stand-in shop: HTML only, in memory only, with a cart and a check-out for whoever comes by.
 * @example const library = standInShop({ standing: 'first-run' }); await library.listen(4104)
 */
export function standInShop({
  standing = 'first-run',
  base = '/',
  owner = { username: 'boss', password: 'harbour-light-41' },
  version = VERSION,
}: StandInShopOptions = {}): StandInShop {
  const shop = emptyShop(version)
  if (standing !== 'first-run')
    setUp(shop, {
      ...{ ...owner, email: 'boss@harbour.example', title: 'My shop', language: 'en', country: 'US', currency: 'USD' },
      ...{ trade: [], goods: ['posted'], size: 10, extras: ['newsletter by us'] },
    })
  if (standing === 'in-use') inUse(shop)
  const site = standInSite({
    base,
    version,
    largestFile: 8 * 1024 * 1024,
    before(request, reply) {
      const place = request.url.split('?')[0] ?? ''
      return shop.standing === 'first-run' && place !== `${base}setup` ? reply.redirect(`${base}setup`, 302) : undefined
    },
    routes: (app, sessions) => {
      firstRunForm(app, shop, base)
      dashboard(app, shop, sessions, base)
      publicPages(app, shop, base)
    },
  })
  return Object.assign(site, { shop })
}
