import type { Area } from '../area.js'
import { knownItems } from '../baseline/known-item.js'
import { pagePath } from '../baseline/values.js'
import { nameIn } from '../ref.js'
import { textOf } from '../value.js'
import { pageRef, pages } from './pages.js'

/** Its part of the baseline file. */
export const privacyPagePart = {
  privacyPage: pagePath
    .optional()
    .describe('The page that tells visitors what is kept of them: its path, or its slug where it is the only one')
    .meta({ examples: ['privacy'] }),
}

export interface PrivacyPageItem {
  /** The ref of the page, or '' where there is none. */
  page: string
}

/** A visitor is led to the page from where the system says so. */
export interface PrivacyLook {
  look: 'privacy notice'
}

export const privacyPage: Area<'privacyPage', PrivacyPageItem, PrivacyLook> = {
  name: 'privacyPage',
  title: 'page about privacy',
  list: 'one',
  questions: [{ key: 'privacyPage', ask: 'Which page tells visitors what is kept of them?' }],
  mistakes: (values, add) => {
    knownItems(values, pages, add)(values.privacyPage, ['privacyPage'])
  },
  keys: ['page'],
  ref: () => 'privacyPage',
  plan: (baseline) =>
    baseline.privacyPage === undefined ? [] : [{ item: { page: pageRef(baseline.privacyPage, baseline) } }],
  links: ['page'],
  call: () => 'the page about privacy',
  show: (_key, value) => (value === '' ? 'none' : nameIn(textOf(value))),
  expect: ([item]) =>
    item === undefined || item.page === ''
      ? []
      : [{ name: 'visitors are led to the page about privacy', at: { ref: item.page }, look: 'privacy notice' }],
}
