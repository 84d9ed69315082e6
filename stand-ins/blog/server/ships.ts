import { VERSION } from '../../common/server/version.js'
import { languages, type Blog } from './model.js'

/** What the first-run form does: an owner, and everything that ships. */
export function setUp(
  blog: Blog,
  owner: { username: string; email: string; password: string; title: string; language: string; searchEngines: boolean },
  now = new Date(),
): void {
  const at = now.toISOString()
  const entry = { by: 1, made: at, edited: at }
  blog.standing = 'set up'
  Object.assign(blog.settings, {
    title: owner.title,
    contact: owner.email,
    language: (languages as readonly string[]).includes(owner.language) ? owner.language : 'en',
    searchEngines: owner.searchEngines,
  })
  const { username, email, password } = owner
  blog.accounts.push({
    id: 1,
    username,
    first: '',
    last: '',
    shown: username,
    email,
    password,
    made: at,
    role: 'owner',
  })
  blog.categories.push({ id: 1, name: 'Everything', slug: 'everything', description: '', parent: 0 })
  blog.linkCategories.push({ id: 1, name: 'Elsewhere', slug: 'elsewhere' })
  blog.links.push({
    id: 1,
    title: 'The makers of this blog',
    link: 'https://stand-in.example/',
    description: 'They wrote it',
    category: 1,
  })
  blog.posts.push({
    ...entry,
    id: 1,
    title: 'A first post',
    slug: 'a-first-post',
    state: 'published',
    categories: [1],
    tags: [],
    date: at.slice(0, 16),
    open: true,
    body: '<p>This post came with the blog, so that there is something to see. Write one of your own and take this one away.</p>',
  })
  blog.comments.push({
    id: 1,
    post: 1,
    by: 'The blog itself',
    made: at,
    text: 'This is what a comment looks like. It came with the blog; take it away whenever you like.',
    state: 'shown',
  })
  blog.pages.push(
    {
      ...entry,
      id: 2,
      title: 'An example page',
      slug: 'an-example-page',
      state: 'published',
      parent: 0,
      order: 0,
      body: '<p>A page stays where it is, while posts move down. Many people put who they are on one: this text is only here to show where it would stand.</p>',
    },
    {
      ...entry,
      id: 3,
      title: 'Data and privacy',
      slug: 'data-and-privacy',
      state: 'draft',
      parent: 0,
      order: 0,
      body: '<h2>Who we are</h2><p>This draft came with the blog. Say here what you keep about your visitors, and for how long you keep it.</p>',
    },
  )
  const theme = { version: '1.0', automatic: false, places: ['main'], sidebars: ['main'] }
  blog.themes.push(
    { ...theme, id: 1, name: 'plain', active: true },
    { ...theme, id: 2, name: 'plainer', active: false },
  )
  blog.addOns.push({ id: 1, name: 'smileys', version: '1.0', active: false, automatic: false })
  blog.menus.main = [{ kind: 'page', to: '2', label: 'An example page' }]
  blog.sidebars.main = ['latest posts', 'archives']
  if (blog.version !== VERSION) shipLater(blog)
}

/** The content of a later version: another text, and one page more. */
function shipLater(blog: Blog): void {
  for (const post of blog.posts) post.body = '<p>Here is your first post, as blogs greet people these days.</p>'
  const [page] = blog.pages
  if (page)
    blog.pages.push({
      ...page,
      id: 4,
      title: 'First steps',
      slug: 'first-steps',
      body: '<p>Three things to do first.</p>',
    })
}

/** Somebody at work on it: items that neither shipped nor stand in any baseline. */
export function inUse(blog: Blog): void {
  const at = '2026-03-05T14:07:00.000Z'
  const entry = { by: 1, made: at, edited: at, state: 'published' as const }
  blog.posts.push({
    ...entry,
    id: blog.next++,
    title: 'Low tide on Thursday',
    slug: 'low-tide',
    categories: [1],
    tags: [],
    date: at.slice(0, 16),
    open: true,
    body: '<p>Bring boots, and something to keep the biscuits dry.</p>',
  })
  blog.pages.push({
    ...entry,
    id: blog.next++,
    title: 'Our boat',
    slug: 'our-boat',
    parent: 0,
    order: 0,
    body: '<p>She is called Periwinkle, and she leaks.</p>',
  })
  blog.uploads.push({ id: blog.next++, name: 'periwinkle.jpg', type: 'image/jpeg', bytes: Buffer.alloc(0) })
}
