import type { FastifyInstance } from 'fastify'
import { Office } from '../../../common/server/office.js'
import { packages } from '../../../common/server/packages.js'
import type { Sessions } from '../../../common/server/sessions.js'
import { page } from '../html.js'
import type { Board } from '../model.js'
import { accessForms } from './access.js'
import { accounts } from './accounts.js'
import { forums } from './forums.js'
import { groups } from './groups.js'
import { settings } from './settings.js'
import { topics } from './topics.js'

const rooms =
  'settings mail joining signing-in posting profiles profile groups categories forums order access topics accounts themes add-ons'.split(
    ' ',
  )

/** The administrators' screens: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, board: Board, sessions: Sessions, base: string, mail?: number): void {
  const isAdministrator = (account: number) =>
    board.accounts.some(({ id, role }) => id === account && role === 'administrator')
  const office = new Office(app, sessions, base, rooms, page, isAdministrator)
  office.get('', (_request, reply) => {
    const { forums, topics, accounts } = board
    const counts = `${forums.length} forums, ${topics.length} topics, ${accounts.length} accounts.`
    return office.screen(reply, 'start', `<p>${counts}</p>`)
  })
  settings(office, board)
  groups(office, board)
  forums(office, board)
  accessForms(office, board)
  topics(office, board)
  accounts(office, board, mail)
  packages(office, board, 'themes')
  packages(office, board, 'addOns')
}
