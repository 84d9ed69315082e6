import { esc } from '../html.js'
import type { Asked, Office } from '../../../common/server/office.js'
import { sendKey, waitsFor } from '../activation.js'
import type { Account, Board } from '../model.js'

/** Accounts: a list, a form for each, one for new ones, and the one at work. */
export function accounts(office: Office, board: Board, mail?: number): void {
  office.get('/accounts', (_request, reply) => {
    const rows = board.accounts.map(({ id, username, email, role, groups, waits, made }) => ({
      id,
      marks: {
        name: username,
        email,
        role,
        made,
        groups: groups.join(','),
        waits: waits === undefined || waits === 'staff' ? (waits ?? '') : 'mail',
      },
      cells: [username],
    }))
    return office.screen(reply, 'accounts', office.table(rows, 'accounts'))
  })
  office.get('/accounts/:id', (request, reply) => {
    const { id } = request.params
    const item = board.accounts.find((one) => String(one.id) === id)
    const fields = [
      { name: 'username', label: 'User name', value: item?.username ?? '' },
      { name: 'email', label: 'E-mail', value: item?.email ?? '', kind: 'email' as const },
      { name: 'password', label: item ? 'A new password' : 'Password', value: '', kind: 'password' as const },
      ...board.groups.map((group) => ({
        ...{ name: `group ${group.id}`, label: `In “${group.name}”`, kind: 'box' as const },
        value: item?.groups.includes(group.id) ? '1' : '',
      })),
    ]
    const editor = office.editor(request, `/accounts/${id}`, fields, item !== undefined)
    const button = (name: string) => office.button(request, `/accounts/${id}/${name}`, name, name)
    // a mail can be sent once more; what waits for the staff, the staff opens
    const waits = item?.waits === undefined ? '' : button(item.waits === 'staff' ? 'open' : 'write')
    return office.screen(reply, 'accounts', editor + waits)
  })
  office.post('/accounts/:id', '/accounts', async (body, id, request) => {
    const { username = '', email = '', password = '' } = body
    const item = board.accounts.find((one) => one.id === id)
    if (board.accounts.some((one) => one.username === username && one !== item)) return 'That name is taken.'
    if (username === '' || !email.includes('@')) return 'Something is missing.'
    if (password.length < 10 && (!item || password !== '')) return 'That password is too short.'
    const groups = board.groups.map((group) => group.id).filter((group) => body[`group ${group}`] === '1')
    if (item) {
      // the fault that this forum has: rights of a group that somebody joins are shared until access is saved again
      for (const group of groups) if (!item.groups.includes(group)) board.shared.add(group)
      Object.assign(item, { username, email, groups, ...(password !== '' && { password }) })
      return undefined
    }
    const account: Account = {
      ...{ id: board.next++, username, shown: username, email, password, role: 'member', groups },
      ...{ made: new Date().toISOString(), wrong: 0, lockedUntil: 0, lastPost: 0, waits: waitsFor(board) },
    }
    for (const group of groups) board.shared.add(group)
    board.accounts.push(account)
    await sendKey(board, account, `http://${request.headers.host ?? ''}${office.base}`, mail)
    return account.id
  })
  office.post('/accounts/:id/remove', '/accounts', (_body, id, request) => {
    if (office.sessions.account(request) === id) return 'That is you.'
    board.accounts = board.accounts.filter((one) => one.id !== id)
    return undefined
  })

  office.post('/accounts/:id/open', '/accounts', (_body, id) => {
    const item = board.accounts.find((one) => one.id === id)
    if (item?.waits !== 'staff') return 'It does not wait for the staff.'
    item.waits = undefined
    return undefined
  })
  office.post('/accounts/:id/write', '/accounts', async (_body, id, request) => {
    const item = board.accounts.find((one) => one.id === id)
    if (item) await sendKey(board, item, `http://${request.headers.host ?? ''}${office.base}`, mail)
    return undefined
  })

  const me = (request: Asked) => board.accounts.find(({ id }) => id === office.sessions.account(request))
  office.get('/profile', (request, reply) => {
    const own = me(request)
    const fields = [
      { name: 'username', label: 'User name', value: own?.username ?? '' },
      { name: 'shown', label: 'Shown name', value: own?.shown ?? '' },
      { name: 'email', label: 'E-mail', value: own?.email ?? '', kind: 'email' as const },
      { name: 'password', label: 'A new password', value: '', kind: 'password' as const },
    ]
    const name = `<p id="me" data-id="${own?.id}">${esc(own?.username ?? '')}</p>`
    return office.screen(reply, 'profile', name + office.editor(request, '/profile', fields))
  })
  office.post('/profile', '/profile', ({ username = '', shown = '', email = '', password = '' }, _id, request) => {
    const own = me(request)
    if (!own) return 'Nobody is there.'
    if (username === '' || board.accounts.some((one) => one.username === username && one !== own))
      return 'That name is taken.'
    if (password !== '' && password.length < 10) return 'That password is too short.'
    Object.assign(own, { username, shown, email, ...(password !== '' && { password }) })
    return undefined
  })
}
