import type { Asked, Office } from '../../../common/server/office.js'
import { esc } from '../html.js'
import { accountOf, rights, type ContentSite } from '../model.js'

/** Groups, accounts, and the one at work. */
export function people(office: Office, site: ContentSite): void {
  office.get('/groups', (_request, reply) => {
    const rows = site.groups.map(({ id, name, description }) => ({ id, marks: { description }, cells: [name] }))
    return office.screen(reply, 'groups', office.table(rows, 'groups'))
  })
  office.get('/groups/:id', (request, reply) => {
    const { id } = request.params
    const own = site.groups.find((one) => String(one.id) === id)
    const fields = [
      { name: 'name', label: 'Name', value: own?.name ?? '' },
      { name: 'description', label: 'Description', value: own?.description ?? '' },
    ]
    return office.screen(reply, 'groups', office.editor(request, `/groups/${id}`, fields, own !== undefined))
  })
  office.post('/groups/:id', '/groups', ({ name = '', description = '' }, id) => {
    if (name === '' || site.groups.some((other) => other.name === name && other.id !== id)) return 'That name is taken.'
    const own = site.groups.find((one) => one.id === id)
    if (own) return void Object.assign(own, { name, description })
    site.groups.push({ id: site.next, name, description })
    return site.next++
  })
  office.post('/groups/:id/remove', '/groups', (_body, id) => {
    site.groups = site.groups.filter((one) => one.id !== id)
    for (const account of site.accounts) account.groups = account.groups.filter((group) => group !== id)
    for (const { shared } of site.pages)
      for (const right of rights) shared[right] = shared[right].filter((who) => who !== `group ${id}`)
    // nobody is left who may see it, and that is not everybody
    for (const one of site.uploads)
      if (one.read.includes(`group ${id}`))
        one.read = one.read.length === 1 ? ['group 0'] : one.read.filter((who) => who !== `group ${id}`)
    return undefined
  })

  office.get('/accounts', (_request, reply) => {
    const rows = site.accounts.map(({ id, username, email, shown, role, groups, made, waits }) => ({
      id,
      marks: { name: username, email, shown, role, made, groups: groups.join(','), waits: waits ? 'staff' : '' },
      cells: [username],
    }))
    return office.screen(reply, 'accounts', office.table(rows, 'accounts'))
  })
  office.get('/accounts/:id', (request, reply) => {
    const { id } = request.params
    const own = site.accounts.find((one) => String(one.id) === id)
    const fields = [
      { name: 'username', label: 'User name', value: own?.username ?? '' },
      { name: 'shown', label: 'Shown name', value: own?.shown ?? '' },
      { name: 'email', label: 'E-mail', value: own?.email ?? '', kind: 'email' as const },
      { name: 'password', label: own ? 'A new password' : 'Password', value: '', kind: 'password' as const },
      { name: 'manages', label: 'Manages the site', value: own?.role === 'manager' ? '1' : '', kind: 'box' as const },
      { name: 'waits', label: 'Waits for the staff', value: own?.waits ? '1' : '', kind: 'box' as const },
      ...site.groups.map((group) => ({
        ...{ name: `group ${group.id}`, label: `In “${group.name}”`, kind: 'box' as const },
        value: own?.groups.includes(group.id) ? '1' : '',
      })),
    ]
    return office.screen(reply, 'accounts', office.editor(request, `/accounts/${id}`, fields, own !== undefined))
  })
  office.post('/accounts/:id', '/accounts', (body, id) => {
    const { username = '', shown = '', email = '', password = '', manages, waits } = body
    const own = site.accounts.find((one) => one.id === id)
    const taken = [site.keeper, ...site.accounts].some((one) => one.username === username && one !== own)
    if (taken) return 'That name is taken.'
    if (username === '' || !email.includes('@')) return 'Something is missing.'
    if (password.length < 10 && (!own || password !== '')) return 'That password is too short.'
    const groups = site.groups.map((group) => group.id).filter((group) => body[`group ${group}`] === '1')
    const role = manages === '1' ? ('manager' as const) : ('member' as const)
    const said = { username, shown: shown || username, email, role, groups, waits: waits === '1' }
    if (own) return void Object.assign(own, said, password !== '' && { password })
    site.accounts.push({ id: site.next, ...said, first: '', last: '', password, made: new Date().toISOString() })
    return site.next++
  })
  office.post('/accounts/:id/remove', '/accounts', (_body, id, request) => {
    if (office.sessions.account(request) === id) return 'That is you.'
    site.accounts = site.accounts.filter((one) => one.id !== id)
    return undefined
  })

  const me = (request: Asked) => accountOf(site, office.sessions.account(request))
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
  office.post('/profile', '/profile', (body, _id, request) => {
    const { first = '', last = '', shown = '', email = '', password = '' } = body
    const own = me(request)
    if (!own) return 'Nobody is there.'
    if (password !== '' && password.length < 10) return 'That password is too short.'
    Object.assign(own, { first, last, shown, email, ...(password !== '' && { password }) })
    return undefined
  })
}
