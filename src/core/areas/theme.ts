import type { Area } from '../area.js'
import { refOf } from '../ref.js'

export interface ThemeItem {
  use: string
  active: boolean
}

/** Themes are looked at, so that somebody's own are seen. */
export const theme: Area<'theme', ThemeItem> = {
  name: 'theme',
  title: 'themes',
  list: 'at least',
  keys: ['use', 'active'],
  ref: (item) => refOf('theme', item.use),
  plan: () => [],
  call: (item) => `the theme “${item.use}”`,
}
