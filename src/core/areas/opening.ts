import type { Area } from '../area.js'
import { yesOrNo } from '../value.js'

export interface OpeningItem {
  /** Whether visitors may come in. */
  visitors?: boolean
  /** What visitors read while it is closed. */
  notice?: string
}

/** Whether the site is open to visitors: closed first, where the baseline says so, and opened when everything else is settled. */
export const opening: Area<'opening', OpeningItem> = {
  name: 'opening',
  title: 'way to be closed to visitors',
  key: 'site.open',
  list: 'one',
  last: true,
  gate: {
    opened: { visitors: true },
    closed: { visitors: false },
    isClosed: ({ visitors }) => visitors === false,
    asked: ({ site: { open } }) => open?.from ?? 'never',
  },
  opens: (wanted, found) => wanted.visitors === true && found.visitors === false,
  keys: ['visitors', 'notice'],
  ref: () => 'opening',
  plan: ({ site: { open } }) => (open ? [{ item: { visitors: true, notice: open.notice } }] : []),
  call: () => 'the site',
  say: (key) => (key === 'visitors' ? 'open to visitors' : 'what visitors read while it is closed'),
  show: (_key, value) => yesOrNo(value),
}
