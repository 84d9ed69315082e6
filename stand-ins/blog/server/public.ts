import type { FastifyInstance, FastifyReply } from 'fastify'
import { esc, page } from './html.js'
import { pathOf, type Blog } from './model.js'

/** What visitors see. */
export function publicPages(app: FastifyInstance, blog: Blog, base: string): void {
  const show = (reply: FastifyReply, title: string, main: string, status = 200) => {
    const { settings, pages, categories } = blog
    const links = [
      ...pages
        .filter(({ state }) => state === 'published')
        .map(({ slug, title: name }) => `<a class="page" href="${base}${slug}/">${esc(name)}</a>`),
      ...categories
        .filter(({ parent }) => parent === 0)
        .map((category) => `<a href="${base}category/${pathOf(blog, category)}">${esc(category.name)}</a>`),
    ]
    return reply
      .status(status)
      .type('text/html; charset=utf-8')
      .send(
        page({
          title: title === '' ? settings.title : `${title} · ${settings.title}`,
          lang: settings.language,
          head: `<link rel="alternate" type="application/rss+xml" href="${base}feed.xml">${settings.searchEngines ? '' : '<meta name="robots" content="noindex, nofollow">'}`,
          body: `<header><h1><a href="${base}">${esc(settings.title)}</a></h1><p>${esc(settings.description)}</p><nav>${links.join(' ')}</nav></header><main>${main}</main><footer><a href="${base}enter">Sign in</a></footer>`,
        }),
      )
  }
  const article = (post: { title: string; body: string }, kind: string) =>
    `<article class="${kind}"><h2>${esc(post.title)}</h2><div class="text">${post.body}</div></article>`
  const lost = (reply: FastifyReply) => show(reply, 'Not found', '<p>There is nothing here.</p>', 404)

  app.get(base, (_request, reply) =>
    show(
      reply,
      '',
      blog.posts
        .filter(({ state }) => state === 'published')
        .map(
          (post) =>
            `<article class="post"><h2><a href="${base}post/${post.slug}">${esc(post.title)}</a></h2><div class="text">${post.body}</div></article>`,
        )
        .join('') || '<p>No posts yet.</p>',
    ),
  )
  app.get<{ Params: { slug: string } }>(`${base}:slug`, (request, reply) => {
    const found = blog.pages.find(({ slug, state }) => slug === request.params.slug && state === 'published')
    return found ? show(reply, found.title, article(found, 'page')) : lost(reply)
  })
  app.get<{ Params: { slug: string } }>(`${base}post/:slug`, (request, reply) => {
    const found = blog.posts.find(({ slug, state }) => slug === request.params.slug && state === 'published')
    if (!found) return lost(reply)
    const comments = blog.comments
      .filter(({ post }) => post === found.id)
      .map(({ id, by, text }) => `<li data-comment="${id}"><b>${esc(by)}</b><p>${esc(text)}</p></li>`)
    return show(reply, found.title, `${article(found, 'post')}<ol class="comments">${comments.join('')}</ol>`)
  })
  app.get<{ Params: { '*': string } }>(`${base}category/*`, (request, reply) => {
    const found = blog.categories.find((category) => pathOf(blog, category) === request.params['*'])
    if (!found) return lost(reply)
    const posts = blog.posts.filter(({ categories, state }) => categories.includes(found.id) && state === 'published')
    return show(
      reply,
      found.name,
      `<h2>${esc(found.name)}</h2><p>${esc(found.description)}</p>${posts.map((post) => article(post, 'post')).join('')}`,
    )
  })
  app.get(`${base}feed.xml`, (_request, reply) => {
    const items = blog.posts
      .filter(({ state }) => state === 'published')
      .map(
        (post) =>
          `<item><title>${esc(post.title)}</title><link>${base}post/${post.slug}</link><description>${esc(post.body)}</description></item>`,
      )
    return reply
      .type('application/rss+xml; charset=utf-8')
      .send(
        `<?xml version="1.0" encoding="UTF-8"?>\n<rss version="2.0"><channel><title>${esc(blog.settings.title)}</title><link>${base}</link><description>${esc(blog.settings.description)}</description>${items.join('')}</channel></rss>\n`,
      )
  })
  app.setNotFoundHandler((_request, reply) => lost(reply))
}
