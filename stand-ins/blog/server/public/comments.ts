import type { FastifyInstance } from 'fastify'
import { postPlace } from '../addresses.js'
import { esc, form } from '../html.js'
import type { Blog, Comment, Post } from '../model.js'
import type { Frame } from './frame.js'

/** The comments under a post, and the form for another. */
export function commentsUnder(blog: Blog, post: Post, base: string): string {
  const shown = blog.comments
    .filter(({ post: on, state }) => on === post.id && state === 'shown')
    .map(({ id, by, text }) => `<li data-comment="${id}"><b>${esc(by)}</b><p>${esc(text)}</p></li>`)
  const say = form({
    action: `${base}say/${post.id}`,
    token: '',
    id: 'say',
    button: 'Say it',
    fields: [
      { name: 'by', label: 'Your name', value: '' },
      { name: 'text', label: 'Your comment', value: '', kind: 'long' },
    ],
  })
  return `<ol class="comments">${shown.join('')}</ol>${post.open ? say : ''}`
}

/** Whether the rules hold a comment until the owner has seen it. */
function held({ settings, comments }: Blog, by: string, text: string): boolean {
  if (settings.approve === 'all') return true
  if ((text.match(/https?:\/\//g) ?? []).length > settings.linksBeforeApproval) return true
  return settings.approve === 'newcomers' && !comments.some((one) => one.by === by && one.state === 'shown')
}

/** Takes what visitors say. */
export function comments(app: FastifyInstance, blog: Blog, frame: Frame): void {
  app.post<{ Params: { id: string }; Body: Record<string, string | undefined> }>(
    `${frame.base}say/:id`,
    (request, reply) => {
      const post = blog.posts.find(({ id }) => String(id) === request.params.id)
      if (!post?.open) return frame.show(reply, 'Closed', '<p id="closed">Nobody may comment here.</p>', 403)
      const { by = '', text = '' } = request.body
      const state: Comment['state'] = held(blog, by, text) ? 'held' : 'shown'
      blog.comments.push({ id: blog.next++, post: post.id, by, text, made: new Date().toISOString(), state })
      if (state === 'held') return frame.show(reply, 'Thank you', '<p id="held">The owner looks at it first.</p>')
      return reply.redirect(`${frame.base}${postPlace(blog, post)}`, 303)
    },
  )
}
