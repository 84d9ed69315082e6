import type { Marks } from '../../core/area.js'
import type { Reading } from '../../core/areas/index.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { textBlocks } from '../../core/text/plain.js'
import { load } from 'cheerio'
import { flatCategories } from '../../core/areas/categories.js'
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
  const relieved = flatCategories(baseline).some((one) => one.default)
  const { theme } = baseline
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
          date: 'MMMM d, y',
          time: 'h:mm aaa',
          weekStarts: 'monday',
          icon: '',
          searchEngines: 'welcome',
          contact: '',
          addresses: 'not found',
        },
      },
    ],
    categories: [
      {
        id: 1,
        item: { ...words.category, description: '', parent: '', default: true },
        marks: { ...shipped, needed: !relieved },
      },
    ],
    pages: [
      { id: 2, item: { ...words.page, state: 'published' }, marks: shipped },
      { id: 3, item: { ...words.draft, state: 'draft' }, marks: { ...shipped, hidden: true } },
    ],
    posts: [{ id: 1, item: words.post, marks: shipped }],
    comments: [{ id: 1, item: { key: '1', by: words.commentBy, on: `posts/${words.post.slug}` }, marks: shipped }],
    // what hosts leave out of it is seen after the form
    theme: ['twentytwentythree', 'twentytwentytwo', 'twentytwentyone'].map((use, index) => ({
      id: use,
      item: { use, active: index === 0, version: '' },
      marks: { ...shipped, needed: theme === undefined ? index === 0 : theme.use === use },
    })),
    addOns: [{ id: 'akismet/akismet', item: { use: 'akismet', active: false, version: '' }, marks: shipped }],
    frontPage: [{ id: 'frontPage', item: { page: '', posts: '' } }],
    publishing: [
      {
        id: 'publishing',
        item: {
          postsPerPage: 10,
          postAddress: '/{year}/{month}/{day}/{slug}/',
          feedPosts: 10,
          feedShows: 'whole',
          newPostNotices: ['http://rpc.pingomatic.com/'],
        },
      },
    ],
    commenting: [{ id: 'commenting', item: { allowed: true, approve: 'newcomers', linksBeforeApproval: 1 } }],
    signUp: [{ id: 'signUp', item: { open: false, role: 'reader' } }],
    updates: [{ id: 'updates', item: { system: 'fixes', themes: 'by hand', waiting: [] } }],
    sidebars: [],
    address: [{ id: 'address', item: { address: baseline.site.reachedAt ?? baseline.site.address } }],
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
