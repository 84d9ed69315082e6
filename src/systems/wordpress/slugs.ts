/** Words that the system keeps for the feeds of a page or post: it would put a number behind them. */
const FEEDS = ['feed', 'rdf', 'rss', 'rss2', 'atom', 'embed']
/** What stands at the top beside pages: its own folders, and its interface. */
const FOLDERS = ['wp-admin', 'wp-content', 'wp-includes', 'wp-json']
const TAKEN = 'the system keeps that address for itself; take another'

/** Why a post can't have a slug. */
export const noSlugOfPost = (slug: string): string | undefined => (FEEDS.includes(slug) ? TAKEN : undefined)

/** Why a page can't have a slug: the pages of a list are numbers, and so are the years of an archive. */
export const noSlugOfPage = (slug: string, isAtTop: boolean): string | undefined =>
  FEEDS.includes(slug) || /^(?:page)?\d+$/.test(slug) || (isAtTop && FOLDERS.includes(slug)) ? TAKEN : undefined
