import { esc } from '../html.js'
import { languages, type Blog } from '../model.js'
import type { Office } from './office.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]

/** The site's settings, and the owner's profile. */
export function settings(office: Office, blog: Blog): void {
  office.get('/settings', (request, reply) => {
    const { title, description, language, timezone, searchEngines, contact } = blog.settings
    const fields = [
      { name: 'title', label: 'Title', value: title },
      { name: 'description', label: 'Description', value: description },
      { name: 'language', label: 'Language', value: language, choices: languages },
      { name: 'timezone', label: 'Time zone', value: timezone, choices: zones },
      { name: 'contact', label: 'Contact', value: contact, kind: 'email' as const },
      { name: 'hidden', label: 'Turn search engines away', value: searchEngines ? '' : '1', kind: 'box' as const },
    ]
    return office.screen(reply, 'settings', office.editor(request, '/settings', fields))
  })
  // the form is taken as it comes: what is not in it becomes empty, and what the menus don't hold is passed over
  office.post('/settings', '/settings', (body) => {
    const { title = '', description = '', language = '', timezone = '', contact = '', hidden } = body
    Object.assign(blog.settings, { title, description, contact, searchEngines: hidden !== '1' })
    if (languages.some((known) => known === language)) blog.settings.language = language
    if (zones.includes(timezone)) blog.settings.timezone = timezone
    return undefined
  })

  office.get('/profile', (request, reply) => {
    const me = blog.accounts.find(({ id }) => id === office.sessions.account(request))
    const fields = [
      { name: 'first', label: 'First name', value: me?.first ?? '' },
      { name: 'last', label: 'Last name', value: me?.last ?? '' },
      { name: 'shown', label: 'Shown name', value: me?.shown ?? '' },
      { name: 'email', label: 'E-mail', value: me?.email ?? '', kind: 'email' as const },
    ]
    const name = `<p id="me" data-id="${me?.id}">${esc(me?.username ?? '')}</p>`
    return office.screen(reply, 'profile', name + office.editor(request, '/profile', fields))
  })
  office.post('/profile', '/profile', ({ first = '', last = '', shown = '', email = '' }) => {
    const [me] = blog.accounts
    if (me) Object.assign(me, { first, last, shown, email })
    return undefined
  })
}
