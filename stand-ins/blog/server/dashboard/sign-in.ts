import { form, page } from '../html.js'
import type { Blog } from '../model.js'
import type { Fields, Office } from '../../../common/server/office.js'

/** The log-in form, and the way out. */
export function signIn({ app, sessions, base, place }: Office, blog: Blog): void {
  const fields = [
    { name: 'username', label: 'User name', value: '' },
    { name: 'password', label: 'Password', value: '', kind: 'password' as const },
  ]
  const show = (trouble = '') => {
    const entrance = form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields })
    return page({ title: 'Sign in', lang: 'en', body: `<main>${trouble}${entrance}</main>` })
  }
  app.get(`${base}enter`, (_request, reply) => reply.type('text/html').send(show()))
  app.post<{ Body: Fields }>(`${base}enter`, (request, reply) => {
    const { username, password } = request.body
    const account = blog.accounts.find((one) => one.username === username && one.password === password)
    if (!account) return reply.type('text/html').send(show('<p class="trouble">That did not open.</p>'))
    if (blog.secondStep) {
      const code = [{ name: 'code', label: 'The code from your other device', value: '' }]
      const second = form({ action: `${base}enter/code`, token: '', id: 'second', button: 'Go on', fields: code })
      return reply.type('text/html').send(page({ title: 'One more step', lang: 'en', body: `<main>${second}</main>` }))
    }
    sessions.begin(reply, account.id)
    return reply.redirect(place, 303)
  })
  app.post(`${base}leave`, (request, reply) => {
    sessions.end(request)
    return reply.redirect(base, 303)
  })
}
