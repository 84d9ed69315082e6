import type { Office } from '../../../common/server/office.js'
import { actions, type Board, type Who } from '../model.js'
import { everybody } from '../rights.js'

/** Who may do what: one table of boxes for the whole forum, or one a forum. */
export function accessForms(office: Office, board: Board): void {
  office.get('/access', (_request, reply) => {
    const rows = board.forums.map(({ id, title, may }) => ({
      id,
      marks: Object.fromEntries(actions.map((action) => [action, may[action].join(',')])),
      cells: [title],
    }))
    return office.screen(reply, 'access', office.table(rows, 'access'))
  })
  office.get('/access/:id', (request, reply) => {
    const forum = board.forums.find(({ id }) => String(id) === request.params.id)
    const fields = actions.flatMap((action) =>
      everybody(board).map(({ who, name }) => ({
        name: `${action} ${who}`,
        label: `${name} may ${action}`,
        value: forum?.may[action].includes(who) ? '1' : '',
        kind: 'box' as const,
      })),
    )
    return office.screen(reply, 'access', office.editor(request, `/access/${request.params.id}`, fields))
  })
  office.post('/access/:id', '/access', (body, id) => {
    const forum = board.forums.find((one) => one.id === id)
    if (!forum) return 'It is gone.'
    const all = everybody(board).map(({ who }): Who => who)
    for (const action of actions) forum.may[action] = all.filter((who) => body[`${action} ${who}`] === '1')
    board.shared.clear()
    return undefined
  })
}
