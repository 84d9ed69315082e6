import type { FastifyInstance } from 'fastify'
import type { Blog } from '../model.js'
import type { Sessions } from '../sessions.js'
import { accounts } from './accounts.js'
import { categories } from './categories.js'
import { comments } from './comments.js'
import { pages, posts } from './entries.js'
import { links, terms } from './links.js'
import { Office } from './office.js'
import { packages } from './packages.js'
import { places } from './places.js'
import { profile } from './profile.js'
import { publishing } from './publishing.js'
import { settings } from './settings.js'
import { signIn } from './sign-in.js'
import { updates } from './updates.js'
import { uploads } from './uploads.js'
import { visitors } from './visitors.js'

/** The owner's screens: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, blog: Blog, sessions: Sessions, base: string, mail?: number): void {
  const office = new Office(app, sessions, base)
  signIn(office, blog)
  office.get('', (_request, reply) => {
    const counts = `${blog.posts.length} posts, ${blog.pages.length} pages, ${blog.comments.length} comments.`
    return office.screen(reply, 'start', `<p>${counts}</p>`)
  })
  settings(office, blog, mail)
  publishing(office, blog)
  visitors(office, blog)
  updates(office, blog)
  profile(office, blog)
  posts(office, blog)
  pages(office, blog)
  comments(office, blog)
  categories(office, blog)
  terms(office, blog, 'tags')
  uploads(office, blog)
  places(office, blog)
  links(office, blog)
  terms(office, blog, 'link-categories')
  packages(office, blog, 'themes')
  packages(office, blog, 'addOns')
  accounts(office, blog)
}
