import type { FastifyInstance, FastifyReply } from 'fastify'
import type { Sessions } from '../../common/server/sessions.js'
import { esc, form, page } from './html.js'
import type { ContentSite } from './model.js'

const fields = [
  { name: 'password', label: 'A new password', value: '', kind: 'password' as const },
  { name: 'confirm', label: 'The same again', value: '', kind: 'password' as const },
]

/** The page of whoever looks after the server: the sites on it, and their own password. */
export function wholeServer(app: FastifyInstance, site: ContentSite, sessions: Sessions, base: string): void {
  const place = `${base}server`
  const send = (reply: FastifyReply, body: string, status = 200) =>
    reply
      .status(status)
      .type('text/html')
      .send(page({ title: 'The server', lang: 'en', body: `<main>${body}</main>` }))
  const closed = (reply: FastifyReply) =>
    send(reply, '<p id="closed">This is for whoever looks after the server.</p>', 403)
  app.get(place, (request, reply) => {
    if (sessions.account(request) !== site.keeper.id) return closed(reply)
    const sites = [...(site.standing === 'set up' ? [base] : []), ...site.neighbours]
    const rows = sites.map((one) => `<li data-base="${esc(one)}">${esc(one)}</li>`).join('')
    const own = form({ action: place, token: sessions.token(request), id: 'password', button: 'Change it', fields })
    return send(reply, `<h1>The server</h1><ul id="sites" data-count="${sites.length}">${rows}</ul>${own}`)
  })
  app.post<{ Body: Record<string, string | undefined> }>(place, (request, reply) => {
    const { password = '', confirm, token } = request.body
    if (sessions.account(request) !== site.keeper.id || !sessions.spend(request, token)) return closed(reply)
    if (password.length < 10 || password !== confirm) return send(reply, '<p class="trouble">That will not do.</p>')
    if (!site.pretends.includes('server')) site.keeper.password = password
    return reply.redirect(place, 303)
  })
}
