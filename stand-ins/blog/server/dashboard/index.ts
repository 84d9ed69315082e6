import type { FastifyInstance } from 'fastify'
import type { Blog, Named } from '../model.js'
import type { Sessions } from '../sessions.js'
import { categories } from './categories.js'
import { comments } from './comments.js'
import { entries } from './entries.js'
import { Office } from './office.js'
import { settings } from './settings.js'
import { signIn } from './sign-in.js'

/** The owner's screens: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, blog: Blog, sessions: Sessions, base: string): void {
  const office = new Office(app, sessions, base)
  signIn(office, blog)
  office.get('', (_request, reply) => {
    const counts = `${blog.posts.length} posts, ${blog.pages.length} pages, ${blog.comments.length} comments.`
    return office.screen(reply, 'start', `<p>${counts}</p>`)
  })
  settings(office, blog)
  entries(office, blog, 'posts')
  entries(office, blog, 'pages')
  comments(office, blog)
  categories(office, blog)
  for (const [room, items] of Object.entries(onlyShown(blog))) {
    office.get(`/${room}`, (_request, reply) => {
      const rows = items().map(({ id, name, active }) => ({
        id,
        marks: { name, active: String(active ?? '') },
        cells: [name],
      }))
      return office.screen(reply, room, office.table(rows))
    })
  }
}

/** Lists that can be looked at, and not changed yet. */
const onlyShown = (blog: Blog): Record<string, () => readonly Named[]> => ({
  uploads: () => blog.uploads,
  tags: () => blog.tags,
  menus: () => blog.menus,
  themes: () => blog.themes,
  'add-ons': () => blog.addOns,
  accounts: () => blog.accounts.map(({ id, username }) => ({ id, name: username })),
})
