import type { FastifyInstance, FastifyReply } from 'fastify'
import type { Sessions } from '../../common/server/sessions.js'
import { esc, form, page } from './html.js'
import { languages, type ContentSite } from './model.js'
import { setUp } from './ships.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]

/** The form that makes the site, for whoever looks after the server; it answers 200 whatever comes of it. */
export function firstRunForm(app: FastifyInstance, site: ContentSite, sessions: Sessions, base: string): void {
  const send = (reply: FastifyReply, title: string, body: string, status = 200) =>
    reply
      .status(status)
      .type('text/html')
      .send(page({ title, lang: 'en', body: `<main${body}</main>` }))
  const already = (reply: FastifyReply) => send(reply, 'Made already', '><p>This site is made already.</p>', 410)
  const fields = [
    { name: 'title', label: 'Title', value: '' },
    { name: 'description', label: 'Description', value: '' },
    { name: 'language', label: 'Language', value: 'en', choices: languages },
    { name: 'timezone', label: 'Time zone', value: 'UTC', choices: zones },
    { name: 'examples', label: 'Example content', value: '1', kind: 'box' as const },
  ]
  const show = (token: string, trouble = '') =>
    `><h1>A new site</h1>${trouble && `<p class="trouble">${esc(trouble)}</p>`}${form({
      ...{ action: `${base}setup`, token, id: 'first-run', button: 'Make the site', fields },
    })}`
  app.get(`${base}setup`, (request, reply) => {
    if (site.standing === 'set up') return already(reply)
    if (sessions.account(request) === site.keeper.id) return send(reply, 'A new site', show(sessions.token(request)))
    const way = `<p>There is no site here yet. <a href="${base}enter">Sign in</a> with the login for this server to make it.</p>`
    return send(reply, 'No site yet', ` id="unmade">${way}`)
  })
  app.post<{ Body: Record<string, string | undefined> }>(`${base}setup`, (request, reply) => {
    const { title = '', description = '', language = 'en', timezone = 'UTC', examples, token } = request.body
    if (site.standing === 'set up') return already(reply)
    if (sessions.account(request) !== site.keeper.id || !sessions.spend(request, token))
      return send(reply, 'Expired', ' id="expired"><p>This form has expired.</p>', 403)
    const trouble = title === '' ? 'It needs a title.' : zones.includes(timezone) ? '' : 'There is no such time zone.'
    if (trouble !== '') return send(reply, 'A new site', show(sessions.token(request), trouble))
    setUp(site, { title, description, language, timezone, examples: examples === '1' })
    return send(reply, 'Done', ` id="made"><p>The site is made. <a href="${base}">Look at it</a></p>`)
  })
}
