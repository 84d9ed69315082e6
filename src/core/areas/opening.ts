import type { Area } from '../area.js'
import { yesOrNo } from '../value.js'

export interface OpeningItem {
  open?: boolean
  /** What visitors read while it is closed. */
  'open.notice'?: string
}

/** Whether the site is open to visitors: closed first, where the baseline says so, and opened when everything else is settled. */
export const opening: Area<'opening', OpeningItem> = {
  name: 'opening',
  title: 'opening',
  key: 'site',
  list: 'one',
  last: true,
  keys: ['open', 'open.notice'],
  ref: () => 'opening',
  plan: ({ site: { open } }) => (open ? [{ item: { open: true, 'open.notice': open.notice } }] : []),
  call: () => 'the site',
  say: (key) => (key === 'open' ? 'open to visitors' : 'what visitors read while it is closed'),
  show: (_key, value) => yesOrNo(value),
}
