import { form, page } from '../html.js'
import type { Fields, Office } from '../../../common/server/office.js'
import type { ContentSite } from '../model.js'

const fields = [
  { name: 'username', label: 'User name', value: '' },
  { name: 'password', label: 'Password', value: '', kind: 'password' as const },
]

/** The log-in form for everybody, and the way out. */
export function signIn({ app, sessions, base, place }: Office, site: ContentSite): void {
  const show = (trouble = '') => {
    const entrance = form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields })
    return page({ title: 'Sign in', lang: 'en', body: `<main>${trouble}${entrance}</main>` })
  }
  app.get(`${base}enter`, (_request, reply) => reply.type('text/html; charset=utf-8').send(show()))
  app.post<{ Body: Fields }>(`${base}enter`, (request, reply) => {
    const { username, password } = request.body
    const account = [site.keeper, ...site.accounts].find((one) => one.username === username)
    if (!account || account.password !== password || account.waits)
      return reply.type('text/html; charset=utf-8').send(show('<p class="trouble">That did not open.</p>'))
    sessions.begin(reply, account.id)
    const waits = site.standing === 'first-run' ? `${base}setup` : base
    return reply.redirect(account.role === 'manager' && site.standing === 'set up' ? place : waits, 303)
  })
  app.post(`${base}leave`, (request, reply) => {
    sessions.end(request)
    return reply.redirect(base, 303)
  })
}
