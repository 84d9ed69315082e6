import type { Package } from '../../common/server/packages.js'

/** Whom something is shared with: everybody who is signed in, or a group by its number. */
export type Who = 'members' | `group ${number}`
export const rights = ['read', 'write', 'edit'] as const
export type Right = (typeof rights)[number]

/** What the stand-in content site keeps, in memory only. */
export interface Entry {
  id: number
  title: string
  slug: string
  summary: string
  body: string
  tags: string[]
  /** What is private is shown to those alone whom it is shared with. */
  state: 'published' | 'private'
  by: number
  made: string
  edited: string
}
export interface Page extends Entry {
  parent: number
  order: number
  /** Menus that list pages leave it out. */
  hidden: boolean
  /** Old addresses, from the site's folder on. */
  formerly: string[]
  shared: Record<Right, Who[]>
  /** Whether those whom the page above is shared with have the same rights here. */
  inherit: boolean
  /** Whoever has its form open, as an account's number: nobody else may save it meanwhile. */
  lockedBy?: number
}
export interface News extends Entry {
  /** When it appears, on the site's own clock: `2026-03-05T14:07`. */
  date: string
  /** Whether visitors may comment; what the rule said when it was made. */
  open: boolean
}
export interface Event extends Entry {
  /** On the site's own clock. */
  start: string
  end: string
  place: string
}
export interface Comment {
  id: number
  news: number
  by: string
  text: string
  made: string
  state: 'shown' | 'held'
}
export interface Upload {
  id: number
  name: string
  type: string
  bytes: Buffer
  made: string
  /** Who may see it; everybody where nobody is named. */
  read: Who[]
}
export interface Group {
  id: number
  name: string
  description: string
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
  role: 'manager' | 'member'
  groups: number[]
  /** It can't be used before somebody has opened it. */
  waits: boolean
}
export interface MenuEntry {
  kind: 'page' | 'link'
  /** The number of a page, or an address. */
  to: string
  label: string
}
/** What stands in a column: parts by their names, and `text 1` to `text 3` for texts of its own. */
export interface Column {
  lines: string[]
  texts: [string, string, string]
}

export interface Settings {
  title: string
  description: string
  language: string
  timezone: string
  /** CLDR patterns (UTS 35). */
  date: string
  time: string
  weekStarts: string
  searchEngines: boolean
  /** Numbers of uploads; 0 for none. */
  icon: number
  logo: number
  /** The page that visitors see first, by its number; 0 for a text of its own. */
  frontPage: number
  frontText: string
  mailFrom: string
  mailName: string
  mailServer: string
  commentsAllowed: boolean
  approve: 'all' | 'none'
  joinOpen: boolean
  /** What a new account waits for. */
  joinWaits: 'none' | 'staff'
}

export interface ContentSite {
  standing: 'first-run' | 'set up'
  version: string
  /** When it was made: no other site was at that moment. */
  since: string
  /** Whoever looks after the server: an account of no site. */
  keeper: Account
  /** The folders of other sites on the server. */
  neighbours: string[]
  settings: Settings
  pages: Page[]
  news: News[]
  events: Event[]
  comments: Comment[]
  uploads: Upload[]
  groups: Group[]
  accounts: Account[]
  themes: Package[]
  addOns: Package[]
  menu: MenuEntry[]
  columns: Record<(typeof columnPlaces)[number], Column>
  /** Screens whose forms answer as if they had saved, and have not; for tests. */
  pretends: readonly string[]
  /** The next number that anything gets. */
  next: number
}

export const languages = ['en', 'de', 'fr', 'cy'] as const
export const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const
export const columnPlaces = ['left', 'right', 'foot'] as const
export const columnParts = ['search', 'navigation', 'latest posts', 'events', 'text 1', 'text 2', 'text 3'] as const

const emptyColumn = (): Column => ({ lines: [], texts: ['', '', ''] })

/** A site that waits for its first-run form. */
export const emptySite = (keeper: { username: string; password: string }, version: string): ContentSite => ({
  standing: 'first-run',
  version,
  since: '',
  keeper: {
    ...{ id: 0, first: '', last: '', shown: '', email: '', made: '', role: 'manager', groups: [], waits: false },
    ...keeper,
  },
  neighbours: [],
  settings: {
    ...{ title: '', description: '', language: 'en', timezone: 'UTC', date: 'y-MM-dd', time: 'HH:mm' },
    ...{ weekStarts: 'sunday', searchEngines: true, icon: 0, logo: 0, frontPage: 0, frontText: '' },
    ...{ mailFrom: '', mailName: '', mailServer: '', commentsAllowed: false, approve: 'all' },
    ...{ joinOpen: false, joinWaits: 'staff' },
  },
  ...{ pages: [], news: [], events: [], comments: [], uploads: [], groups: [], accounts: [], themes: [], addOns: [] },
  menu: [],
  columns: { left: emptyColumn(), right: emptyColumn(), foot: emptyColumn() },
  pretends: [],
  next: 100,
})

/** A page at its place among the others: slugs from the top one down to it. */
export function pathOf(site: ContentSite, page: Page): string {
  const above = site.pages.find(({ id }) => id === page.parent)
  return above ? `${pathOf(site, above)}/${page.slug}` : page.slug
}

/** Pages below a page, or at the top, in their order. */
export const pagesBelow = ({ pages }: ContentSite, parent: number): Page[] =>
  pages.filter((page) => page.parent === parent).sort((a, b) => a.order - b.order || a.id - b.id)

/** Accounts that may sign in: those of the site, and the server's. */
export const accountOf = (site: ContentSite, id: number | undefined): Account | undefined =>
  id === site.keeper.id ? site.keeper : site.accounts.find((one) => one.id === id)

/** Whether comments are switched on at all: an add-on brings them. */
export const hasComments = ({ addOns }: ContentSite): boolean =>
  addOns.some(({ name, active }) => name === 'comments' && active)
