import type { Marks } from '../../core/area.js'
import type { Reading } from '../../core/areas/index.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { textBlocks } from '../../core/text/plain.js'
import { load } from 'cheerio'
import { localeOf } from './locale.js'
import { isShippedAsSeen } from './shipped-on-page.js'
import { shippedWords, type ShippedWords } from './shipped-texts.js'

const shipped: Marks = { place: true, untouched: true, known: true }

/** The words that ship in the baseline's language, as far as the system has it. */
function wordsFor(baseline: Baseline): ShippedWords {
  const locale = localeOf(baseline.site.language ?? 'en') || 'en_US'
  return shippedWords.find((words) => words.locale === locale) ?? (shippedWords[0] as ShippedWords)
}

/** What the first-run form will leave, as far as it is known beforehand. */
export function ships(baseline: Baseline): Reading {
  const words = wordsFor(baseline)
  return {
    owner: [],
    site: [
      {
        id: 'site',
        item: {
          title: '',
          description: '',
          language: 'en-US',
          timezone: 'UTC',
          searchEngines: 'welcome',
          contact: '',
          addresses: 'not found',
        },
      },
    ],
    categories: [
      { id: 1, item: { ...words.category, description: '', parent: '' }, marks: { ...shipped, needed: true } },
    ],
    pages: [
      { id: 2, item: { ...words.page, state: 'published' }, marks: shipped },
      { id: 3, item: { ...words.draft, state: 'draft' }, marks: { ...shipped, hidden: true } },
    ],
    posts: [{ id: 1, item: words.post, marks: shipped }],
    comments: [{ id: 1, item: { key: '1', by: words.commentBy, on: `posts/${words.post.slug}` }, marks: shipped }],
    theme: [],
    addOns: [],
    menus: [],
    media: [],
    tags: [],
    members: [],
  }
}

/** Where a visitor would have found what shipped. */
export function shippedPlaces(baseline: Baseline): { area: 'posts' | 'pages'; place: string }[] {
  const { post, page, draft } = wordsFor(baseline)
  const pretty = (slug: string) => `/${encodeURI(slug)}/`
  return [
    ...['/?p=1', pretty(post.slug)].map((place) => ({ area: 'posts' as const, place })),
    ...['/?page_id=2', '/?page_id=3', pretty(page.slug), pretty(draft.slug)].map((place) => ({
      area: 'pages' as const,
      place,
    })),
  ]
}

/** Whether an element of a public page holds just a text that ships. */
export function showsShippedText(html: string, home: string): boolean {
  if (textBlocks(html).length === 0) return false
  const $ = load(html)
  const pieces = $('body *').not('script, style').toArray()
  return pieces.some((element) => isShippedAsSeen($.html($(element).contents()), home))
}
