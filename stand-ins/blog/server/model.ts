/** What the stand-in blog keeps, in memory only. */
export interface Post {
  id: number
  title: string
  slug: string
  body: string
  state: 'published' | 'draft'
  by: number
  made: string
  edited: string
  categories: number[]
}
export type Page = Omit<Post, 'categories'>
export interface Comment {
  id: number
  post: number
  by: string
  text: string
  made: string
}
export interface Category {
  id: number
  name: string
  slug: string
  description: string
  parent: number
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
}
export interface Named {
  id: number
  name: string
  active?: boolean
}

export interface Blog {
  standing: 'placeholder' | 'first-run' | 'set up'
  settings: {
    title: string
    description: string
    language: string
    timezone: string
    searchEngines: boolean
    contact: string
    defaultCategory: number
  }
  posts: Post[]
  pages: Page[]
  comments: Comment[]
  categories: Category[]
  accounts: Account[]
  uploads: Named[]
  tags: Named[]
  menus: Named[]
  themes: Named[]
  addOns: Named[]
  /** The next number that anything gets. */
  next: number
}

export const languages = ['en', 'de', 'fr', 'ja'] as const

export const emptyBlog = (standing: Blog['standing']): Blog => ({
  standing,
  settings: {
    title: '',
    description: '',
    language: 'en',
    timezone: 'UTC',
    searchEngines: true,
    contact: '',
    defaultCategory: 1,
  },
  posts: [],
  pages: [],
  comments: [],
  categories: [],
  accounts: [],
  uploads: [],
  tags: [],
  menus: [],
  themes: [],
  addOns: [],
  next: 100,
})

/** What the first-run form does: an owner, and everything that ships. */
export function setUp(
  blog: Blog,
  owner: { username: string; email: string; password: string; title: string; language: string; searchEngines: boolean },
  now = new Date(),
): void {
  const at = now.toISOString()
  blog.standing = 'set up'
  Object.assign(blog.settings, {
    title: owner.title,
    contact: owner.email,
    language: (languages as readonly string[]).includes(owner.language) ? owner.language : 'en',
    searchEngines: owner.searchEngines,
  })
  blog.accounts.push({
    id: 1,
    username: owner.username,
    first: '',
    last: '',
    shown: owner.username,
    email: owner.email,
    password: owner.password,
    made: at,
  })
  blog.categories.push({ id: 1, name: 'Everything', slug: 'everything', description: '', parent: 0 })
  blog.posts.push({
    id: 1,
    title: 'A first post',
    slug: 'a-first-post',
    by: 1,
    made: at,
    edited: at,
    state: 'published',
    categories: [1],
    body: '<p>This post came with the blog, so that there is something to see. Write one of your own and take this one away.</p>',
  })
  blog.comments.push({
    id: 1,
    post: 1,
    by: 'The blog itself',
    made: at,
    text: 'This is what a comment looks like. It came with the blog; take it away whenever you like.',
  })
  blog.pages.push(
    {
      id: 2,
      title: 'An example page',
      slug: 'an-example-page',
      by: 1,
      made: at,
      edited: at,
      state: 'published',
      body: '<p>A page stays where it is, while posts move down. Many people put who they are on one: this text is only here to show where it would stand.</p>',
    },
    {
      id: 3,
      title: 'Data and privacy',
      slug: 'data-and-privacy',
      by: 1,
      made: at,
      edited: at,
      state: 'draft',
      body: '<h2>Who we are</h2><p>This draft came with the blog. Say here what you keep about your visitors, and for how long you keep it.</p>',
    },
  )
  blog.themes.push({ id: 1, name: 'plain', active: true }, { id: 2, name: 'plainer', active: false })
  blog.addOns.push({ id: 1, name: 'smileys', active: false })
}

/** Somebody at work on it: items that neither shipped nor stand in any baseline. */
export function inUse(blog: Blog): void {
  const at = '2026-03-05T14:07:00.000Z'
  blog.posts.push({
    id: blog.next++,
    title: 'Low tide on Thursday',
    slug: 'low-tide',
    by: 1,
    made: at,
    edited: at,
    state: 'published',
    categories: [1],
    body: '<p>Bring boots, and something to keep the biscuits dry.</p>',
  })
  blog.pages.push({
    id: blog.next++,
    title: 'Our boat',
    slug: 'our-boat',
    by: 1,
    made: at,
    edited: at,
    state: 'published',
    body: '<p>She is called Periwinkle, and she leaks.</p>',
  })
  blog.uploads.push({ id: blog.next++, name: 'periwinkle.jpg' })
}

/** The slugs from the top category down to this one. */
export function pathOf(blog: Blog, category: Category): string {
  const parent = blog.categories.find(({ id }) => id === category.parent)
  return parent ? `${pathOf(blog, parent)}/${category.slug}` : category.slug
}
