import type { Blog } from '../model.js'
import type { Office } from '../../../common/server/office.js'

/** Accounts: a list, a form for another owner, and one to remove each, with an heir for what it made. */
export function accounts(office: Office, blog: Blog): void {
  office.get('/accounts', (_request, reply) => {
    const rows = blog.accounts.map(({ id, username, role, made }) => ({
      id,
      marks: { name: username, role, made },
      cells: [username],
    }))
    return office.screen(reply, 'accounts', office.table(rows, 'accounts'))
  })
  office.get('/accounts/:id', (request, reply) => {
    const { id } = request.params
    const fields = [
      { name: 'username', label: 'User name', value: '' },
      { name: 'email', label: 'E-mail', value: '', kind: 'email' as const },
      { name: 'password', label: 'Password', value: '', kind: 'password' as const },
    ]
    const others = blog.accounts.filter((one) => String(one.id) !== id).map((one) => String(one.id))
    const heir = [{ name: 'heir', label: 'What it made goes to', value: '', choices: others }]
    return office.screen(
      reply,
      'accounts',
      id === 'new'
        ? office.editor(request, '/accounts/new', fields)
        : office.button(request, `/accounts/${id}/remove`, 'remove', 'Remove', heir),
    )
  })
  office.post('/accounts/new', '/accounts', ({ username = '', email = '', password = '' }) => {
    if (blog.accounts.some((one) => one.username === username)) return 'That name is taken.'
    if (username === '' || !email.includes('@') || password.length < 10) return 'Something is missing.'
    const names = { username, email, password, first: '', last: '', shown: username }
    blog.accounts.push({ ...names, id: blog.next, made: new Date().toISOString(), role: 'owner' })
    return blog.next++
  })
  office.post('/accounts/:id/remove', '/accounts', ({ heir }, id, request) => {
    if (office.sessions.account(request) === id) return 'That is you.'
    for (const entry of [...blog.posts, ...blog.pages]) if (entry.by === id) entry.by = Number(heir)
    blog.accounts = blog.accounts.filter((one) => one.id !== id)
    return undefined
  })
}
