import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface MenuItem {
  name: string
}

/** Menus are looked at, so that somebody's own are seen. */
export const menus: Area<'menus', MenuItem> = {
  name: 'menus',
  title: 'menus',
  list: 'at least',
  keys: ['name'],
  ref: (item) => refOf('menus', item.name),
  plan: () => [],
  call: (item) => `the menu “${item.name}”`,
}
