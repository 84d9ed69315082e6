import type { FastifyReply, FastifyRequest } from 'fastify'
import { page } from './html.js'
import type { Blog } from './model.js'
import { placeholder } from './placeholder.js'

const html = (reply: FastifyReply, status: number, text: string) =>
  reply.status(status).type('text/html; charset=utf-8').send(text)

/** What stands in front of the blog: a password, a host's page, the first-run form, work going on, its own address. */
export function front(
  request: FastifyRequest,
  reply: FastifyReply,
  blog: Blog,
  base: string,
  door?: { username: string; password: string },
): FastifyReply | undefined {
  const place = request.url.split('?')[0] ?? ''
  if (door) {
    const right = Buffer.from(`${door.username}:${door.password}`).toString('base64')
    if (request.headers.authorization !== `Basic ${right}`)
      return html(reply.header('www-authenticate', 'Basic realm="Private"'), 401, 'A password, please.')
  }
  if (blog.standing === 'placeholder') return html(reply, place === base ? 200 : 404, placeholder)
  if (blog.standing === 'first-run' && place !== `${base}setup`) return reply.redirect(`${base}setup`, 302)
  const inside = ['enter', 'office'].some((room) => place.startsWith(`${base}${room}`))
  if (inside) return undefined
  if (blog.front === 'maintenance')
    return html(
      reply.header('retry-after', '600'),
      503,
      page({ title: 'Back soon', lang: 'en', body: '<main><p>This blog is being worked on.</p></main>' }),
    )
  if (blog.front === 'log-in') return reply.redirect(`${base}enter`, 302)
  const { address } = blog.settings
  if (address !== '' && new URL(address).host !== request.headers.host)
    return reply.redirect(new URL(request.url.slice(base.length), address).href, 301)
  return undefined
}
