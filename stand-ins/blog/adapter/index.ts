import {
  digest,
  foldSpace,
  formOn,
  has,
  strippedText,
  textBlocks,
  type Answer,
  type Baseline,
  type Marks,
  type Reading,
  type Screen,
  type System,
} from 'unpack'
import { load } from 'cheerio'
import { addOns } from './areas/addOns.js'
import { categories } from './areas/categories.js'
import { comments } from './areas/comments.js'
import { media } from './areas/media.js'
import { members } from './areas/members.js'
import { menus } from './areas/menus.js'
import { owner } from './areas/owner.js'
import { pages } from './areas/pages.js'
import { posts } from './areas/posts.js'
import { site } from './areas/site.js'
import { tags } from './areas/tags.js'
import { theme } from './areas/theme.js'
import { recognise } from './recognise.js'
import { logIn, StandInSession } from './session.js'
import { shippedTexts } from './shipped-texts.js'

const screens: readonly Screen[] = [
  '',
  'settings',
  'profile',
  'posts',
  'pages',
  'comments',
  'categories',
  'uploads',
  'themes',
  'add-ons',
  'accounts',
].map((room) => ({
  name: room || 'start',
  place: `office/${room}`,
  has: `main[data-screen="${room || 'start'}"]`,
}))

function trouble({ status, text }: Answer, screen: Screen): string | undefined {
  if (status !== 200) return `it answers HTTP ${status}`
  if (formOn(text, 'form#enter')) return 'it asks to sign in'
  if (/^\s*at .+\(.+:\d+:\d+\)/m.test(text)) return 'it shows a trace of the language the system is written in'
  if (strippedText(text).length < 100) return 'it is empty, or nearly so'
  return has(text, screen.has) ? undefined : 'what belongs on it is missing'
}

const shipped: Marks = { place: true, untouched: true, known: true }

/** What the first-run form will leave. */
const ships = (_baseline: Baseline): Reading => ({
  owner: [],
  site: [
    {
      id: 'site',
      item: { title: '', description: '', language: 'en', timezone: 'UTC', searchEngines: 'welcome', contact: '' },
    },
  ],
  categories: [
    {
      id: 1,
      item: { name: 'Everything', slug: 'everything', description: '', parent: '' },
      marks: { ...shipped, needed: true },
    },
  ],
  pages: [
    { id: 2, item: { title: 'An example page', slug: 'an-example-page', state: 'published' }, marks: shipped },
    {
      id: 3,
      item: { title: 'Data and privacy', slug: 'data-and-privacy', state: 'draft' },
      marks: { ...shipped, hidden: true },
    },
  ],
  posts: [{ id: 1, item: { title: 'A first post', slug: 'a-first-post' }, marks: shipped }],
  comments: [{ id: 1, item: { key: '1', by: 'The blog itself', on: 'posts/a-first-post' }, marks: shipped }],
  theme: [],
  addOns: [],
  menus: [],
  media: [],
  tags: [],
  members: [],
})

/** The adapter of the stand-in blog, written against Unpack's public face like any adapter from outside. */
export const standInBlogSystem: System<StandInSession> = {
  id: 'stand-in-blog',
  name: 'Stand-in blog',
  kind: 'blog',
  password: { length: 22, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789-_' },
  firstRunNeeds: ['owner.email'],
  areas: { site, owner, categories, pages, posts, comments, media, tags, menus, theme, addOns, members },
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login) : undefined
  },
  ships,
  trouble,
  feed: '/feed.xml',
  shippedPlaces: () => [
    { area: 'posts', place: '/post/a-first-post' },
    { area: 'pages', place: '/an-example-page' },
    { area: 'pages', place: '/data-and-privacy' },
  ],
  showsShippedText(html) {
    const $ = load(html)
    return $('main .text, main li p')
      .toArray()
      .some((element) => shippedTexts.has(digest(foldSpace(textBlocks($.html($(element).contents())).join(' ')))))
  },
}
