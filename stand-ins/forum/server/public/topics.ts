import type { FastifyInstance } from 'fastify'
import { esc, form } from '../html.js'
import type { Account, Board } from '../model.js'
import type { Frame } from './frame.js'

type Body = Record<string, string | undefined>

/** Why somebody has to wait before the next post, if they have to. */
function tooSoon({ settings, topics }: Board, account: Account, now: number): string | undefined {
  if (account.role === 'administrator') return undefined
  if (now - account.lastPost < settings.waitSeconds * 1000) return `Wait ${settings.waitSeconds} seconds between posts.`
  const hour = topics
    .flatMap(({ posts }) => posts)
    .filter(({ by, made }) => by === account.id && now - Date.parse(made) < 3_600_000)
  return settings.perHour > 0 && hour.length >= settings.perHour ? 'That is enough for an hour.' : undefined
}

/** Forums with their topics, topics with their posts, and the forms to write in them. */
export function topics(app: FastifyInstance, board: Board, frame: Frame): void {
  const { base, sessions } = frame
  const write = { name: 'text', label: 'What you want to say', value: '', kind: 'long' as const }
  const { settings } = board
  const rest = (account: Account, now: number) =>
    Math.max(1, Math.ceil(settings.waitSeconds - (now - account.lastPost) / 1000))

  app.get<{ Params: { id: string } }>(`${base}forum/:id`, (request, reply) => {
    const forum = board.forums.find(({ id }) => String(id) === request.params.id)
    const may = forum && frame.may(request, forum)
    if (!forum || !may?.has('see')) return frame.lost(request, reply)
    if (!may.has('read')) return frame.refuse(request, reply, 'This forum is not open to you.')
    const own = board.topics.filter((topic) => topic.forum === forum.id).slice(0, settings.topicsPerPage)
    const rows = own.map(({ id, title, posts }) => {
      const busy = posts.length > settings.busyFrom ? ' · busy' : ''
      return `<li><h3><a href="${base}topic/${id}">${esc(title)}</a></h3><p class="count">${posts.length - 1} replies${busy}</p></li>`
    })
    const start = may.has('start')
      ? form({
          action: `${base}forum/${forum.id}/start`,
          token: sessions.token(request),
          id: 'start',
          button: 'Start a topic',
          fields: [{ name: 'title', label: 'What it is about', value: '' }, write],
        })
      : ''
    const list = rows.length > 0 ? `<ul class="forums">${rows.join('')}</ul>` : '<p class="quiet">No topics yet.</p>'
    return frame.show(request, reply, forum.title, `<h2>${esc(forum.title)}</h2>${list}${start}`)
  })

  app.get<{ Params: { id: string } }>(`${base}topic/:id`, (request, reply) => {
    const topic = board.topics.find(({ id }) => String(id) === request.params.id)
    const forum = board.forums.find(({ id }) => id === topic?.forum)
    const may = forum && frame.may(request, forum)
    if (!topic || !may?.has('read')) return frame.lost(request, reply)
    const posts = topic.posts.slice(0, settings.postsPerPage).map(({ by, text }) => {
      const name = board.accounts.find(({ id }) => id === by)?.shown ?? 'somebody'
      return `<article class="post"><p class="by">${esc(name)}</p><p class="text">${esc(text)}</p></article>`
    })
    const reply_ = may.has('reply')
      ? form({
          action: `${base}topic/${topic.id}/reply`,
          token: sessions.token(request),
          id: 'reply',
          button: 'Reply',
          fields: [write],
        })
      : ''
    return frame.show(request, reply, topic.title, `<h2>${esc(topic.title)}</h2>${posts.join('')}${reply_}`)
  })

  app.post<{ Params: { id: string }; Body: Body }>(`${base}forum/:id/start`, (request, reply) => {
    const forum = board.forums.find(({ id }) => String(id) === request.params.id)
    const account = frame.who(request)
    const { title = '', text = '', token } = request.body
    if (!forum || !account || !frame.may(request, forum).has('start'))
      return frame.refuse(request, reply, 'You may not start a topic here.')
    const now = Date.now()
    const wait = tooSoon(board, account, now)
    if (wait !== undefined) return frame.refuse(request, reply.header('retry-after', rest(account, now)), wait, 429)
    if (!sessions.spend(request, token)) return frame.refuse(request, reply, 'This form has expired.')
    const at = new Date(now).toISOString()
    const id = board.next++
    const post = { id: board.next++, by: account.id, text, made: at, edited: at }
    board.topics.push({ id, forum: forum.id, title, by: account.id, made: at, edited: at, posts: [post] })
    account.lastPost = now
    return reply.redirect(`${base}topic/${id}`, 303)
  })

  app.post<{ Params: { id: string }; Body: Body }>(`${base}topic/:id/reply`, (request, reply) => {
    const topic = board.topics.find(({ id }) => String(id) === request.params.id)
    const forum = board.forums.find(({ id }) => id === topic?.forum)
    const account = frame.who(request)
    const { text = '', token } = request.body
    if (!topic || !forum || !account || !frame.may(request, forum).has('reply'))
      return frame.refuse(request, reply, 'You may not reply here.')
    const now = Date.now()
    const wait = tooSoon(board, account, now)
    if (wait !== undefined) return frame.refuse(request, reply.header('retry-after', rest(account, now)), wait, 429)
    if (!sessions.spend(request, token)) return frame.refuse(request, reply, 'This form has expired.')
    const at = new Date(now).toISOString()
    topic.posts.push({ id: board.next++, by: account.id, text, made: at, edited: at })
    account.lastPost = now
    return reply.redirect(`${base}topic/${topic.id}`, 303)
  })
}
