import { esc, form, page } from '../html.js'
import type { Asked, Fields, Office } from '../../../common/server/office.js'
import type { Shop } from '../model.js'

const fields = [
  { name: 'username', label: 'User name', value: '' },
  { name: 'password', label: 'Password', value: '', kind: 'password' as const },
]

/** The log-in form, the way out, and the account at work. */
export function people(office: Office, shop: Shop): void {
  const { app, sessions, base, place } = office
  const show = (trouble = '') => {
    const entrance = form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields })
    return page({ title: 'Sign in', lang: 'en', body: `<main>${trouble}${entrance}</main>` })
  }
  app.get(`${base}enter`, (_request, reply) => reply.type('text/html; charset=utf-8').send(show()))
  app.post<{ Body: Fields }>(`${base}enter`, (request, reply) => {
    const { username, password } = request.body
    const account = shop.accounts.find((one) => one.username === username)
    if (!account || account.password !== password)
      return reply.type('text/html; charset=utf-8').send(show('<p class="trouble">That did not open.</p>'))
    sessions.begin(reply, account.id)
    return reply.redirect(place, 303)
  })
  app.post(`${base}leave`, (request, reply) => {
    sessions.end(request)
    return reply.redirect(base, 303)
  })
  const me = (request: Asked) => shop.accounts.find(({ id }) => id === sessions.account(request))
  office.get('/profile', (request, reply) => {
    const own = me(request)
    const values = [
      { name: 'username', label: 'User name', value: own?.username ?? '' },
      { name: 'first', label: 'First name', value: own?.first ?? '' },
      { name: 'last', label: 'Last name', value: own?.last ?? '' },
      { name: 'shown', label: 'Shown name', value: own?.shown ?? '' },
      { name: 'email', label: 'E-mail', value: own?.email ?? '', kind: 'email' as const },
      { name: 'password', label: 'A new password', value: '', kind: 'password' as const },
    ]
    const name = `<p id="me" data-id="${own?.id}">${esc(own?.username ?? '')}</p>`
    return office.screen(reply, 'profile', name + office.editor(request, '/profile', values))
  })
  office.post('/profile', '/profile', (body, _id, request) => {
    const { username = '', first = '', last = '', shown = '', email = '', password = '' } = body
    const own = me(request)
    if (!own) return 'Nobody is there.'
    if (username === '' || (password !== '' && password.length < 10)) return 'That password is too short, or the name.'
    Object.assign(own, { username, first, last, shown, email, ...(password !== '' && { password }) })
    return undefined
  })
}
