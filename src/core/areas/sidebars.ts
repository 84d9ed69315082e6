import { z } from 'zod'
import type { Area } from '../area.js'
import { placeName } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { textOf } from '../value.js'

/** What may stand in a sidebar. */
export const sidebarParts = [
  'search',
  'latest posts',
  'latest comments',
  'archives',
  'categories',
  'tags',
  'pages',
] as const
export const sidebarsSchema = z.record(placeName, z.array(z.enum(sidebarParts)))

export interface SidebarItem {
  /** Where the theme shows it: `main`. */
  place: string
  /** What stands in it, from top to bottom; what is none of ours is `other`. */
  parts: readonly string[]
}

/** Its part of the baseline file. */
export const sidebarsPart = {
  sidebars: sidebarsSchema
    .optional()
    .describe('Sidebars by their place: exactly these parts, in this order')
    .meta({ examples: [{ main: ['search', 'latest posts'] }] }),
}

/** Sidebars: each place means exactly these parts, in this order. */
export const sidebars: Area<'sidebars', SidebarItem> = {
  name: 'sidebars',
  title: 'sidebars',
  list: 'at least',
  questions: [{ key: 'sidebars', ask: 'What stands in its sidebars?' }],
  shipped: 'What stands in sidebars',
  follows: ['theme'],
  keys: ['place', 'parts'],
  ref: (item) => refOf('sidebars', item.place),
  plan: ({ sidebars }) => Object.entries(sidebars ?? {}).map(([place, parts]) => ({ item: { place, parts } })),
  call: (item) => `the sidebar “${item.place}”`,
  toldWhenMissing: ['parts'],
  show: (_key, value) => (Array.isArray(value) ? value.join(', ') : textOf(value)),
}
