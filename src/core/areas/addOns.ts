import { z } from 'zod'
import { filesAt } from '../baseline/named-files.js'
import { namedBy } from '../baseline/plain-values.js'
import type { Area } from '../area.js'
import { fileName, packageName } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { notOlder } from '../text/versions.js'
import { textOf, yesOrNo } from '../value.js'

export const addOnSchema = z.strictObject({
  use: packageName.describe('The add-on, by the name of its folder'),
  from: fileName
    .optional()
    .describe("A zip beside the baseline, or a bundle with it somewhere inside; left out: the system's own catalogue")
    .meta({ examples: ['files/contact-card.zip'] }),
  active: z.boolean().optional().describe('Whether it works; left out: it does'),
  updates: z.enum(['automatic', 'by hand']).optional().describe('Whether it updates itself'),
})

export interface AddOnItem {
  use: string
  active: boolean
  version?: string
  updates?: 'automatic' | 'by hand'
}

/** Its part of the baseline file. */
export const addOnsPart = {
  addOns: z
    .array(addOnSchema)
    .optional()
    .describe('At least these add-ons')
    .meta({ examples: [[{ use: 'contact-card', from: 'files/contact-card.zip', active: true }]] }),
}

export const addOns: Area<'addOns', AddOnItem> = {
  name: 'addOns',
  title: 'add-ons',
  list: 'at least',
  questions: [{ key: 'addOns', ask: 'Which add-ons does it need?' }],
  shipped: 'Add-ons',
  gone: z.array(packageName).describe('Add-ons, by the names of their folders'),
  software: true,
  unkept: 'only its name and version are kept',
  keys: ['use', 'version', 'active', 'updates'],
  named: ({ addOns }) => namedBy(addOns, 'use', ['addOns']),
  files: ({ addOns }) => filesAt('archive', addOns, 'from', ['addOns']),
  ref: (item) => refOf('addOns', item.use),
  plan: ({ addOns, packages, updates }) =>
    (addOns ?? []).map(({ use, active, updates: own }) => ({
      item: { use, active: active ?? true, version: packages.addOns?.[use]?.version, updates: own ?? updates?.addOns },
    })),
  packages: ({ addOns = [] }) => addOns.flatMap(({ use, from }) => (from === undefined ? [] : [{ use, from }])),
  same: (key, wanted, found) => (key === 'version' ? notOlder(textOf(found), textOf(wanted)) : wanted === found),
  call: (item) => `the add-on “${item.use}”`,
  show: (_key, value) => yesOrNo(value),
  say: (key) => (key === 'active' ? 'works' : key),
}
