import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface AddOnItem {
  use: string
  active: boolean
}

/** Add-ons are looked at, so that somebody's own are seen. */
export const addOns: Area<'addOns', AddOnItem> = {
  name: 'addOns',
  title: 'add-ons',
  list: 'at least',
  keys: ['use', 'active'],
  ref: (item) => refOf('addOns', item.use),
  plan: () => [],
  call: (item) => `the add-on “${item.use}”`,
}
