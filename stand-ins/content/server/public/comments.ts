import type { FastifyInstance } from 'fastify'
import type { Fields } from '../../../common/server/office.js'
import { esc, form } from '../html.js'
import { hasComments, type Comment, type ContentSite, type News } from '../model.js'
import type { Frame } from './frame.js'

/** The comments under a piece of news, and the form for another. */
export function commentsUnder(site: ContentSite, { id: own, open }: News, base: string): string {
  if (!hasComments(site)) return ''
  const shown = site.comments
    .filter(({ news, state }) => news === own && state === 'shown')
    .map(({ id, by, text }) => `<li data-comment="${id}"><b>${esc(by)}</b><p>${esc(text)}</p></li>`)
  const fields = [
    { name: 'by', label: 'Your name', value: '' },
    { name: 'text', label: 'Your comment', value: '', kind: 'long' as const },
  ]
  const say = form({ action: `${base}say/${own}`, token: '', id: 'say', button: 'Say it', fields })
  return `<ol class="comments">${shown.join('')}</ol>${open ? say : ''}`
}

/** Takes what visitors say. */
export function comments(app: FastifyInstance, site: ContentSite, frame: Frame): void {
  const { base } = frame
  app.post<{ Params: { id: string }; Body: Fields }>(`${base}say/:id`, (request, reply) => {
    const under = site.news.find(({ id }) => String(id) === request.params.id)
    if (!under?.open || !hasComments(site))
      return frame.show(request, reply, 'Closed', '<p id="closed">Nobody may comment here.</p>', 403)
    const { by = '', text = '' } = request.body
    const state: Comment['state'] = site.settings.approve === 'all' ? 'held' : 'shown'
    site.comments.push({ id: site.next++, news: under.id, by, text, made: new Date().toISOString(), state })
    if (state === 'shown') return reply.redirect(`${base}news/${under.slug}`, 303)
    return frame.show(request, reply, 'Thank you', '<p id="held">Somebody looks at it first.</p>')
  })
}
