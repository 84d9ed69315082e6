import type { Office } from '../../../common/server/office.js'
import type { Board } from '../model.js'

/** Groups of members: a list, and a form for each. */
export function groups(office: Office, board: Board): void {
  office.get('/groups', (_request, reply) => {
    const rows = board.groups.map(({ id, name, description }) => ({
      id,
      marks: { description },
      cells: [name, description],
    }))
    return office.screen(reply, 'groups', office.table(rows, 'groups'))
  })
  office.get('/groups/:id', (request, reply) => {
    const item = board.groups.find(({ id }) => String(id) === request.params.id)
    const fields = [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      { name: 'description', label: 'Description', value: item?.description ?? '' },
    ]
    const editor = office.editor(request, `/groups/${request.params.id}`, fields, item !== undefined)
    return office.screen(reply, 'groups', editor)
  })
  office.post('/groups/:id', '/groups', ({ name = '', description = '' }, id) => {
    if (name === '' || board.groups.some((other) => other.name === name && other.id !== id))
      return 'That name is taken.'
    const item = board.groups.find((one) => one.id === id)
    if (item) Object.assign(item, { name, description })
    else board.groups.push({ id: board.next, name, description })
    return item ? undefined : board.next++
  })
  office.post('/groups/:id/remove', '/groups', (_body, id) => {
    board.groups = board.groups.filter((one) => one.id !== id)
    for (const account of board.accounts) account.groups = account.groups.filter((group) => group !== id)
    for (const { may } of board.forums)
      for (const [action, who] of Object.entries(may))
        may[action as keyof typeof may] = who.filter((one) => one !== `group ${id}`)
    return undefined
  })
}
