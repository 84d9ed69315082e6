import type { FastifyInstance } from 'fastify'
import { page } from '../html.js'
import { placesOf, type Blog } from '../model.js'
import type { Sessions } from '../../../common/server/sessions.js'
import { accounts } from './accounts.js'
import { categories } from './categories.js'
import { comments } from './comments.js'
import { pages, posts } from './entries.js'
import { links, terms } from './links.js'
import { Office } from '../../../common/server/office.js'
import { packages } from '../../../common/server/packages.js'
import { places } from './places.js'
import { profile } from './profile.js'
import { publishing } from './publishing.js'
import { settings } from './settings.js'
import { signIn } from './sign-in.js'
import { updates } from './updates.js'
import { uploads } from './uploads.js'
import { visitors } from './visitors.js'

const rooms =
  'settings publishing visitors updates profile posts pages comments categories tags uploads menus sidebars links link-categories themes add-ons accounts'.split(
    ' ',
  )

/** The owner's screens: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, blog: Blog, sessions: Sessions, base: string, mail?: number): void {
  const office = new Office(app, sessions, base, rooms, page)
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
  const habits = {
    automatic: (kind: 'themes' | 'addOns') => blog.settings.updates[kind],
    activated: () => {
      for (const place of placesOf(blog, 'sidebars')) blog.sidebars[place] ??= []
    },
  }
  packages(office, blog, 'themes', habits)
  packages(office, blog, 'addOns', habits)
  accounts(office, blog)
}
