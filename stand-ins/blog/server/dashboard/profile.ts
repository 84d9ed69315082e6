import { esc } from '../html.js'
import type { Blog } from '../model.js'
import type { Asked, Office } from '../../../common/server/office.js'

/** The account at work: names, e-mail, and a new password. */
export function profile(office: Office, blog: Blog): void {
  const me = (request: Asked) => blog.accounts.find(({ id }) => id === office.sessions.account(request))
  office.get('/profile', (request, reply) => {
    const own = me(request)
    const fields = [
      { name: 'first', label: 'First name', value: own?.first ?? '' },
      { name: 'last', label: 'Last name', value: own?.last ?? '' },
      { name: 'shown', label: 'Shown name', value: own?.shown ?? '' },
      { name: 'email', label: 'E-mail', value: own?.email ?? '', kind: 'email' as const },
      { name: 'password', label: 'A new password', value: '', kind: 'password' as const },
    ]
    const name = `<p id="me" data-id="${own?.id}">${esc(own?.username ?? '')}</p>`
    return office.screen(reply, 'profile', name + office.editor(request, '/profile', fields))
  })
  office.post(
    '/profile',
    '/profile',
    ({ first = '', last = '', shown = '', email = '', password = '' }, _id, request) => {
      const own = me(request)
      if (!own) return 'Nobody is there.'
      if (password !== '' && password.length < 10) return 'That password is too short.'
      Object.assign(own, { first, last, shown, email, ...(password !== '' && { password }) })
      return undefined
    },
  )
}
