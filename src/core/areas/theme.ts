import { z } from 'zod'
import { fileAt } from '../baseline/named-files.js'
import { isGroup } from '../baseline/plain-values.js'
import type { Area } from '../area.js'
import { fileName, packageName } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { notOlder } from '../text/versions.js'
import { textOf, yesOrNo } from '../value.js'

export const themeSchema = z.strictObject({
  use: packageName.describe('The theme that visitors see, by the name of its folder'),
  from: fileName
    .optional()
    .describe("A zip beside the baseline, or a bundle with it somewhere inside; left out: the system's own catalogue")
    .meta({ examples: ['files/lantern-theme.zip'] }),
})

export interface ThemeItem {
  use: string
  active: boolean
  /** The version that is there; wanted: this one or a newer. */
  version?: string
  /** The theme on which it builds, as far as the system tells. */
  parent?: string
}

/** Visitors see the theme by that name. */
export interface ThemeLook {
  look: 'theme'
  use: string
  /** The theme on which it builds: a page may bear the sign of that one alone. */
  parent?: string
}

/** Its part of the baseline file. */
export const themePart = {
  theme: themeSchema
    .optional()
    .describe('The theme in use')
    .meta({ examples: [{ use: 'lantern', from: 'files/lantern-theme.zip' }] }),
}

/** The theme in use; others that shipped go or stay by `shipped.theme`. */
export const theme: Area<'theme', ThemeItem, ThemeLook> = {
  name: 'theme',
  title: 'themes',
  list: 'at least',
  questions: [{ key: 'theme', ask: 'Which theme does it wear?' }],
  shipped: 'Themes that are not in use',
  gone: z.array(packageName).describe('Themes, by the names of their folders'),
  software: true,
  unkept: 'only its name and version are kept',
  keys: ['use', 'active', 'version'],
  named: ({ theme }) =>
    isGroup(theme) && typeof theme.use === 'string' ? [{ name: theme.use, path: ['theme', 'use'] }] : [],
  mistakes: ({ theme, only }, add) => {
    if (theme === undefined && Array.isArray(only) && only.includes('theme'))
      add(
        'contradiction',
        ['only'],
        'the file names no theme',
        'one, or an “only” without theme',
        'theme: { use: lantern }',
      )
  },
  files: ({ theme }) => fileAt('archive', theme, 'from', ['theme']),
  ref: (item) => refOf('theme', item.use),
  plan: ({ theme, packages }) => {
    if (!theme) return []
    const own = packages.theme?.[theme.use]
    const parent = own?.parent === undefined ? undefined : packages.theme?.[own.parent]
    return [
      ...(parent ? [{ item: { use: parent.use, active: undefined as never, version: parent.version } }] : []),
      { item: { use: theme.use, active: true, version: own?.version } },
    ]
  },
  packages: ({ theme }) => (theme?.from === undefined ? [] : [{ use: theme.use, from: theme.from, withParent: true }]),
  same: (key, wanted, found) => (key === 'version' ? notOlder(textOf(found), textOf(wanted)) : wanted === found),
  call: (item) => `the theme “${item.use}”`,
  show: (_key, value) => yesOrNo(value),
  say: (key) => (key === 'active' ? 'in use' : key),
  expect: (items, { packages }) =>
    items
      .filter(({ active }) => active)
      .map((item) => ({
        name: `visitors see ${theme.call(item)}`,
        at: 'front',
        look: 'theme',
        use: item.use,
        parent: packages.theme?.[item.use]?.parent ?? item.parent,
      })),
}
