import type { Area } from '../area.js'

export interface AddressItem {
  /** Where the site itself believes to be found. */
  address: string
}

/** The site's own address: only where it answers elsewhere today (`site.reachedAt`), and changed last of all. */
export const address: Area<'address', AddressItem> = {
  name: 'address',
  title: 'address of its own',
  list: 'one',
  keys: ['address'],
  settledAlways: ['address'],
  ref: () => 'address',
  plan: ({ site }) => (site.reachedAt === undefined ? [] : [{ item: { address: site.address } }]),
  call: () => "the site's own address",
  say: () => "the site's own address",
}
