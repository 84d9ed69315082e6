import { VERSION } from '../../common/server/version.js'
import type { Package } from '../../common/server/packages.js'
import { publishingAtFirst, type Publishing } from './dashboard/publishing.js'

/** What the stand-in blog keeps, in memory only. */
export interface Entry {
  id: number
  title: string
  slug: string
  body: string
  state: 'published' | 'draft'
  by: number
  made: string
  edited: string
}
export interface Post extends Entry {
  categories: number[]
  tags: number[]
  /** When it appears, on the blog's own clock: `2026-03-05T14:07`. */
  date: string
  /** Whether visitors may comment; what the rule said when it was made. */
  open: boolean
}
export interface Page extends Entry {
  parent: number
  order: number
}
export interface Comment {
  id: number
  post: number
  by: string
  text: string
  made: string
  state: 'shown' | 'held'
}
export interface Term {
  id: number
  name: string
  slug: string
}
export interface Category extends Term {
  description: string
  parent: number
}
export interface Link {
  id: number
  title: string
  link: string
  description: string
  category: number
}
export interface Account {
  id: number
  username: string
  first: string
  last: string
  shown: string
  email: string
  password: string
  made: string
  role: 'owner' | 'editor' | 'writer' | 'reader'
}
export interface Upload {
  id: number
  name: string
  type: string
  bytes: Buffer
}
export interface MenuEntry {
  kind: 'page' | 'category' | 'link'
  /** The number of a page or category, or an address. */
  to: string
  label: string
}

export interface Settings extends Publishing {
  title: string
  description: string
  language: string
  timezone: string
  /** CLDR patterns (UTS 35). */
  date: string
  time: string
  weekStarts: string
  searchEngines: boolean
  contact: string
  /** The number of the upload in the browser's tab; 0 for none. */
  icon: number
  /** Where the blog believes to be found; '' for wherever it is asked at. */
  address: string
  defaultCategory: number
  commentsAllowed: boolean
  approve: 'all' | 'newcomers' | 'none'
  linksBeforeApproval: number
  joinOpen: boolean
  joinRole: 'reader' | 'writer' | 'editor'
  updates: { system: 'all' | 'fixes' | 'none'; themes: boolean; addOns: boolean }
}

export interface Blog {
  standing: 'placeholder' | 'first-run' | 'set up'
  version: string
  /** What stands in front of everything for now: `maintenance`, or a `log-in` that visitors are sent to. */
  front?: 'maintenance' | 'log-in'
  /** Asks for a code after the password. */
  secondStep?: boolean
  settings: Settings
  /** A new contact address that waits for the link in a mail to be opened. */
  waitingContact?: { address: string; key: string }
  posts: Post[]
  pages: Page[]
  comments: Comment[]
  categories: Category[]
  tags: Term[]
  links: Link[]
  linkCategories: Term[]
  accounts: Account[]
  uploads: Upload[]
  themes: Package[]
  addOns: Package[]
  menus: Record<string, MenuEntry[]>
  sidebars: Record<string, string[]>
  /** The next number that anything gets. */
  next: number
}

export const languages = ['en', 'de', 'fr', 'ja'] as const
export const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const
export const sidebarParts = [
  'search',
  'latest posts',
  'latest comments',
  'archives',
  'categories',
  'tags',
  'pages',
] as const

export const emptyBlog = (standing: Blog['standing'], version = VERSION): Blog => ({
  standing,
  version,
  settings: {
    title: '',
    description: '',
    language: 'en',
    timezone: 'UTC',
    date: 'y-MM-dd',
    time: 'HH:mm',
    weekStarts: 'sunday',
    searchEngines: true,
    contact: '',
    icon: 0,
    address: '',
    defaultCategory: 1,
    ...publishingAtFirst,
    commentsAllowed: true,
    approve: 'newcomers',
    linksBeforeApproval: 2,
    joinOpen: true,
    joinRole: 'reader',
    updates: { system: 'fixes', themes: false, addOns: false },
  },
  posts: [],
  pages: [],
  comments: [],
  categories: [],
  tags: [],
  links: [],
  linkCategories: [],
  accounts: [],
  uploads: [],
  themes: [],
  addOns: [],
  menus: {},
  sidebars: {},
  next: 100,
})

/** The slugs from the top one down to this one. */
export function pathOf<I extends { id: number; slug: string; parent: number }>(all: readonly I[], item: I): string {
  const above = all.find(({ id }) => id === item.parent)
  return above ? `${pathOf(all, above)}/${item.slug}` : item.slug
}

/** The theme in use. */
export const themeOf = (blog: Blog): Package | undefined => blog.themes.find(({ active }) => active)

/** Places for menus, or sidebars, of the theme in use; a child has those of the one it builds upon too. */
export function placesOf(blog: Blog, of: 'places' | 'sidebars'): string[] {
  const theme = themeOf(blog)
  const parent = blog.themes.find(({ name }) => name === theme?.parent)
  return [...new Set([...(theme?.[of] ?? []), ...(parent?.[of] ?? [])])]
}
