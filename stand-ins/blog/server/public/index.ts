import type { FastifyInstance, FastifyReply } from 'fastify'
import { at, postPlace } from '../addresses.js'
import { esc } from '../html.js'
import { pathOf, type Blog, type Page, type Post } from '../model.js'
import { comments, commentsUnder } from './comments.js'
import { Frame } from './frame.js'
import { join } from './join.js'

/** What visitors see. */
export function publicPages(app: FastifyInstance, blog: Blog, base: string): void {
  const frame = new Frame(blog, base)
  const { settings } = blog
  const list = (posts: readonly Post[]) =>
    posts
      .slice(0, settings.postsPerPage)
      .map((post) => frame.article(post))
      .join('') || '<p>No posts yet.</p>'
  const showPage = (reply: FastifyReply, page: Page, title = page.title) =>
    frame.show(
      reply,
      title,
      `<article class="page entry"><h2>${esc(page.title)}</h2><div class="text">${page.body}</div></article>`,
    )

  app.get(base, (_request, reply) => {
    const front = blog.pages.find(({ id }) => id === settings.frontPage)
    return front ? showPage(reply, front, '') : frame.show(reply, '', list(frame.posts()))
  })
  app.get<{ Params: { '*': string } }>(`${base}*`, (request, reply) => {
    const found = at(blog, request.params['*'])
    if (!found) return frame.lost(reply)
    if ('moved' in found) return reply.redirect(`${base}${found.moved}`, 301)
    if ('page' in found)
      return found.page.id === settings.postsPage
        ? frame.show(reply, found.page.title, `<h2>${esc(found.page.title)}</h2>${list(frame.posts())}`)
        : showPage(reply, found.page)
    return frame.show(reply, found.post.title, frame.article(found.post, true) + commentsUnder(blog, found.post, base))
  })
  const shelf = (reply: FastifyReply, name: string, description: string, posts: readonly Post[]) =>
    frame.show(reply, name, `<h2>${esc(name)}</h2><p>${esc(description)}</p>${list(posts)}`)
  app.get<{ Params: { '*': string } }>(`${base}category/*`, (request, reply) => {
    const asked = request.params['*'].replace(/\/$/, '')
    const found = blog.categories.find((category) => pathOf(blog.categories, category) === asked)
    if (!found) return frame.lost(reply)
    const posts = frame.posts().filter(({ categories }) => categories.includes(found.id))
    return shelf(reply, found.name, found.description, posts)
  })
  app.get<{ Params: { slug: string } }>(`${base}tag/:slug`, (request, reply) => {
    const found = blog.tags.find(({ slug }) => slug === request.params.slug)
    if (!found) return frame.lost(reply)
    return shelf(
      reply,
      found.name,
      '',
      frame.posts().filter(({ tags }) => tags.includes(found.id)),
    )
  })
  app.get<{ Params: { name: string } }>(`${base}files/:name`, (request, reply) => {
    const found = blog.uploads.find(({ name }) => name === request.params.name)
    return found ? reply.type(found.type).send(found.bytes) : frame.lost(reply)
  })
  app.get<{ Params: { file: string } }>(`${base}themes/:file`, (request, reply) => {
    const found = blog.themes.find(({ name }) => `${name}.css` === request.params.file)
    return found ? reply.type('text/css; charset=utf-8').send(found.css ?? '') : frame.lost(reply)
  })
  app.get(`${base}feed.xml`, (_request, reply) => {
    const items = frame
      .posts()
      .slice(0, settings.feedPosts)
      .map((post) => {
        const text = settings.feedShows === 'whole' ? post.body : post.body.replace(/<[^>]*>/g, '').slice(0, 200)
        return `<item><title>${esc(post.title)}</title><link>${base}${postPlace(blog, post)}</link><description>${esc(text)}</description></item>`
      })
    return reply
      .type('application/rss+xml; charset=utf-8')
      .send(
        `<?xml version="1.0" encoding="UTF-8"?>\n<rss version="2.0"><channel><title>${esc(settings.title)}</title><link>${base}</link><description>${esc(settings.description)}</description>${items.join('')}</channel></rss>\n`,
      )
  })
  comments(app, blog, frame)
  join(app, blog, frame)
  app.setNotFoundHandler((_request, reply) => frame.lost(reply))
}
