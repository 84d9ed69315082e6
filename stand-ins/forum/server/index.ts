import type { FastifyReply, FastifyRequest } from 'fastify'
import type { Sessions } from '../../common/server/sessions.js'
import { standInSite, type StandInSite } from '../../common/server/site.js'
import { VERSION } from '../../common/server/version.js'
import { dashboard } from './dashboard/index.js'
import { esc, page } from './html.js'
import { emptyBoard, type Board } from './model.js'
import { publicPages } from './public/index.js'
import { inUse, setUp } from './ships.js'

/** What a stand-in forum is like when it starts. */
export interface StandInForumOptions {
  /** Its version. Any other than 1.0 ships a text and a topic that no adapter knows. */
  version?: string
  standing?: 'fresh' | 'in-use'
  /** The folder it lives in, with a slash at both ends. */
  base?: string
  /** The owner that the host has made. */
  owner?: { username: string; password: string }
  /** The port of the mail server that it sends through. */
  mail?: number
}

/** A stand-in forum that is running, with everything in reach that a test may want to change behind its back. */
export interface StandInForum extends StandInSite {
  board: Board
}

/**
 * Makes a stand-in forum: HTML only, in memory only. Hosts install it with its owner: it has no first-run form.
 * @example const forum = standInForum(); await forum.listen(4102)
 */
export function standInForum({
  standing = 'fresh',
  base = '/',
  owner = { username: 'boss', password: 'harbour-light-41' },
  mail,
  version = VERSION,
}: StandInForumOptions = {}): StandInForum {
  const board = emptyBoard(version)
  setUp(board, { ...owner, email: 'boss@harbour.example' })
  if (standing === 'in-use') inUse(board)
  const site = standInSite({
    base,
    version,
    largestFile: 8 * 1024 * 1024,
    routes: (app, sessions) => {
      app.addHook('preHandler', async (request, reply) => closed(request, reply, board, base, sessions))
      dashboard(app, board, sessions, base, mail)
      publicPages(app, board, sessions, base, mail)
    },
  })
  return Object.assign(site, { board })
}

/** While it is closed, nobody but administrators comes in; the way to sign in stays open. */
function closed(
  request: FastifyRequest,
  reply: FastifyReply,
  { settings, accounts }: Board,
  base: string,
  sessions: Sessions,
): FastifyReply | undefined {
  if (
    settings.open ||
    ['enter', 'office', 'leave', 'activate'].some((room) => request.url.startsWith(`${base}${room}`))
  )
    return undefined
  const account = accounts.find(({ id }) => id === sessions.account(request))
  if (account?.role === 'administrator') return undefined
  const body = `<main id="shut"><h1>${esc(settings.title)}</h1><p>${esc(settings.notice)}</p><p><a href="${base}enter">Sign in</a></p></main>`
  return reply
    .status(503)
    .type('text/html; charset=utf-8')
    .send(page({ title: settings.title, lang: settings.language, body }))
}
