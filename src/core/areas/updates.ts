import { z } from 'zod'
import type { Area } from '../area.js'
import { textOf } from '../value.js'

const automatic = z.enum(['automatic', 'by hand']).optional()
export const updatesSchema = z.strictObject({
  system: z
    .enum(['all', 'fixes', 'none'])
    .optional()
    .describe('Which new versions the system takes by itself: all, fixes, none'),
  themes: automatic.describe('Whether themes update themselves'),
  addOns: automatic.describe('Whether add-ons update themselves, where the file says nothing of one'),
  now: z.boolean().optional().describe('Whether newer versions that wait are taken in this run'),
})

export interface UpdatesItem {
  system?: 'all' | 'fixes' | 'none'
  themes?: 'automatic' | 'by hand'
  addOns?: 'automatic' | 'by hand'
  /** Newer versions of themes and add-ons that wait, as `theme lantern 1.1`. */
  waiting?: readonly string[]
}

const words: Record<keyof UpdatesItem, string> = {
  system: 'new versions of the system',
  themes: 'new versions of themes',
  addOns: 'new versions of add-ons',
  waiting: 'newer versions that wait',
}

/** Its part of the baseline file. */
export const updatesPart = {
  updates: updatesSchema
    .optional()
    .describe('How newer versions are taken')
    .meta({ examples: [{ system: 'fixes', themes: 'automatic' }] }),
}

export const updates: Area<'updates', UpdatesItem> = {
  name: 'updates',
  title: 'updates',
  list: 'one',
  questions: [{ key: 'updates', ask: 'How are newer versions taken?' }],
  keys: ['system', 'themes', 'addOns', 'waiting'],
  ref: () => 'updates',
  plan: ({ updates }) => {
    if (!updates) return []
    const { system, themes, addOns, now } = updates
    return [{ item: { system, themes, addOns, ...(now && { waiting: [] }) } }]
  },
  call: () => 'updates',
  say: (key) => words[key],
  show: (_key, value) => (Array.isArray(value) ? value.join(', ') || 'none' : textOf(value)),
}
