import { pathOf, type Blog, type Page, type Post } from './model.js'

/** Where a post stands, below the blog's own folder: made from a URI Template. */
export function postPlace(blog: Blog, post: Post, template = blog.settings.postAddress): string {
  const [year = '', month = '', day = ''] = post.date.slice(0, 10).split('-')
  const category = blog.categories.find(({ id }) => id === post.categories[0])
  const values: Record<string, string> = {
    year,
    month,
    day,
    slug: post.slug,
    id: String(post.id),
    category: category ? pathOf(blog.categories, category) : 'none',
    author: blog.accounts.find(({ id }) => id === post.by)?.username ?? 'nobody',
  }
  return template.replace(/^\//, '').replace(/\{(\w+)\}/g, (_, name: string) => values[name] ?? '')
}

/** Where a page stands; the front page stands at the front. */
export const pagePlace = (blog: Blog, page: Page): string =>
  page.id === blog.settings.frontPage ? '' : `${pathOf(blog.pages, page)}/`

const bare = (place: string): string => place.replace(/^\/|\/$/g, '')

/** What stands at a place: a page, a post, or a post's address of today where it had another. */
export function at(blog: Blog, asked: string): { page: Page } | { post: Post } | { moved: string } | undefined {
  const place = bare(asked)
  const page = blog.pages.find((one) => one.state === 'published' && bare(pathOf(blog.pages, one)) === place)
  if (page) return page.id === blog.settings.frontPage ? { moved: '' } : { page }
  const posts = blog.posts.filter(({ state }) => state === 'published')
  const post = posts.find((one) => bare(postPlace(blog, one)) === place)
  if (post) return { post }
  const former = posts.find((one) =>
    blog.settings.formerPostAddresses.some((template) => bare(postPlace(blog, one, template)) === place),
  )
  return former ? { moved: postPlace(blog, former) } : undefined
}
