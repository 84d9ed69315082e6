import { z } from 'zod'
import { dequal } from 'dequal'
import { filesAt } from '../baseline/named-files.js'
import { isGroup } from '../baseline/plain-values.js'
import type { Area, Value } from '../area.js'
import { fileName, placeName } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { normalForm } from '../text/normal-form.js'
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
  'navigation',
  'events',
] as const
/** A part of a sidebar: one that systems have, or a text of the owner's. */
export type SidebarPart = string | { readonly text: string }
const partSchema = z.union([
  z
    .enum([...sidebarParts, 'news'])
    .transform((part) => (part === 'news' ? 'latest posts' : part))
    .describe('One of these; news is another word for latest posts'),
  z.strictObject({
    text: fileName.describe('A file in CommonMark beside the baseline').meta({ examples: ['pages/foot.md'] }),
  }),
])
export const sidebarsSchema = z.record(placeName, z.array(partSchema))

export interface SidebarItem {
  /** Where the theme shows it: `main`. */
  place: string
  /** What stands in it, from top to bottom; what is none of ours is `other`. */
  parts: readonly SidebarPart[]
}

const partsIn = (value: Value): readonly SidebarPart[] =>
  Array.isArray(value) ? (value as readonly SidebarPart[]) : []
const comparable = (part: SidebarPart): SidebarPart =>
  typeof part === 'string' ? part : { text: normalForm(part.text) }

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
  files: ({ sidebars }) =>
    Object.entries(isGroup(sidebars) ? sidebars : {}).flatMap(([place, parts]) =>
      filesAt('body', parts, 'text', ['sidebars', place]),
    ),
  plan: ({ sidebars, bodies }) =>
    Object.entries(sidebars ?? {}).map(([place, parts]) => ({
      item: {
        place,
        parts: parts.map((part) => (typeof part === 'string' ? part : { text: bodies[part.text] ?? '' })),
      },
    })),
  same: (key, wanted, found) =>
    key === 'parts' ? dequal(partsIn(wanted).map(comparable), partsIn(found).map(comparable)) : wanted === found,
  call: (item) => `the sidebar “${item.place}”`,
  toldWhenMissing: ['parts'],
  show: (_key, value) =>
    Array.isArray(value)
      ? partsIn(value)
          .map((part) => (typeof part === 'string' ? part : 'a text'))
          .join(', ')
      : textOf(value),
}
