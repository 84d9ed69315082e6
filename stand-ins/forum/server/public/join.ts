import type { FastifyInstance } from 'fastify'
import { esc, form, page } from '../html.js'
import { sendKey, waitsFor } from '../activation.js'
import type { Board } from '../model.js'
import type { Frame } from './frame.js'

type Body = Record<string, string | undefined>

/** Where visitors make an account, sign in, and answer the mail that a new account may wait for. */
export function join(app: FastifyInstance, board: Board, frame: Frame, mail?: number): void {
  const { base, sessions } = frame
  const { settings } = board
  const entrance = [
    { name: 'username', label: 'User name', value: '' },
    { name: 'password', label: 'Password', value: '', kind: 'password' as const },
  ]
  const show = (trouble = '') => {
    const way = form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields: entrance })
    return page({ title: 'Sign in', lang: 'en', body: `<main>${trouble}${way}</main>` })
  }
  app.get(`${base}enter`, (_request, reply) => reply.type('text/html; charset=utf-8').send(show()))
  app.post<{ Body: Body }>(`${base}enter`, (request, reply) => {
    const { username, password } = request.body
    const account = board.accounts.find((one) => one.username === username)
    const refuse = (text: string) =>
      reply.type('text/html; charset=utf-8').send(show(`<p class="trouble">${esc(text)}</p>`))
    if (!account) return refuse('That did not open.')
    if (account.lockedUntil > Date.now()) return refuse('This account is locked for a while.')
    if (account.password !== password) {
      account.wrong += 1
      if (account.wrong >= settings.attempts) {
        account.wrong = 0
        account.lockedUntil = Date.now() + settings.lockMinutes * 60_000
      }
      return refuse('That did not open.')
    }
    if (account.waits !== undefined) return refuse('This account is not open yet.')
    account.wrong = 0
    sessions.begin(reply, account.id)
    return reply.redirect(account.role === 'administrator' ? `${base}office` : base, 303)
  })
  app.post(`${base}leave`, (request, reply) => {
    sessions.end(request)
    return reply.redirect(base, 303)
  })

  const place = `${base}join`
  app.get(place, (request, reply) => {
    if (!settings.joinOpen) return frame.show(request, reply, 'Join', '<p id="closed">Nobody can join here.</p>')
    const fields = [
      { name: 'username', label: 'User name', value: '' },
      { name: 'email', label: 'E-mail', value: '', kind: 'email' as const },
      { name: 'password', label: 'Password', value: '', kind: 'password' as const },
      ...(settings.question ? [{ name: 'answer', label: settings.question, value: '' }] : []),
    ]
    const waits = { none: 'It is open at once.', email: 'We write to you first.', staff: 'Somebody looks at it first.' }
    const note = `<p id="approval" data-waits="${settings.approval}">${waits[settings.approval]}</p>`
    return frame.show(
      request,
      reply,
      'Join',
      note + form({ action: place, token: '', id: 'join', button: 'Join', fields }),
    )
  })
  app.post<{ Body: Body }>(place, async (request, reply) => {
    const { username = '', email = '', password = '', answer = '' } = request.body
    const taken = board.accounts.some((one) => one.username === username)
    const right =
      settings.question === '' ||
      settings.answers.some((one) => one.trim().toLowerCase() === answer.trim().toLowerCase())
    if (!settings.joinOpen || taken || !right || username === '' || password.length < 10)
      return frame.show(request, reply, 'Join', '<p class="trouble">That can’t be done.</p>', 422)
    const account = {
      ...{ id: board.next++, username, shown: username, email, password, role: 'member' as const, groups: [] },
      ...{ wrong: 0, lockedUntil: 0, lastPost: 0, made: new Date().toISOString() },
      waits: waitsFor(board),
    }
    board.accounts.push(account)
    await sendKey(board, account, `http://${request.headers.host ?? ''}${base}`, mail)
    return frame.show(request, reply, 'Join', '<p id="joined">Welcome.</p>')
  })
  app.get<{ Params: { key: string } }>(`${base}activate/:key`, (request, reply) => {
    const account = board.accounts.find(({ waits }) => waits !== 'staff' && waits === request.params.key)
    if (!account) return frame.show(request, reply, 'Join', '<p>This link is of no use any more.</p>', 410)
    account.waits = undefined
    return frame.show(request, reply, 'Join', '<p id="open">Thank you: this account is open now.</p>')
  })
}
