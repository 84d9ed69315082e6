const words = (text: string): string[] => text.split(' ')

/** The fields of each form of the dashboard, by its room. */
export const fields: Readonly<Record<string, readonly string[]>> = {
  settings: words('title description language timezone date time weekStarts contact icon address hidden'),
  publishing: words('frontPage postsPage privacyPage postsPerPage postAddress feedPosts feedShows notices'),
  visitors: words('commentsAllowed approve linksBeforeApproval joinOpen joinRole'),
  updates: words('system themes addOns'),
  profile: words('first last shown email password'),
  posts: words('title slug body state categories tags date'),
  pages: words('title slug body state parent order'),
  categories: words('name slug description parent default'),
  comments: words('post by text made state'),
  tags: words('name slug'),
  links: words('title link description category'),
  'link-categories': words('name slug'),
  uploads: words('file'),
  menus: words('lines'),
  sidebars: words('lines'),
  accounts: words('username email password'),
}
