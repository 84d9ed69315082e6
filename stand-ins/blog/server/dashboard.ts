import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { esc, form, page, type Field } from './html.js'
import { languages, pathOf, type Blog, type Named } from './model.js'
import type { Sessions } from './sessions.js'

type Fields = Record<string, string | undefined>
type Sent = { Body: Fields; Params: { id: string } }
const zones = Intl.supportedValuesOf('timeZone')

/** The owner's screens: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, blog: Blog, sessions: Sessions, base: string): void {
  const office = `${base}office`
  const rooms = ['settings', 'profile', 'posts', 'pages', 'comments', 'categories', 'uploads', 'tags', 'menus', 'themes', 'add-ons', 'accounts']
  const screen = (reply: FastifyReply, name: string, main: string) =>
    reply.type('text/html; charset=utf-8').send(page({ title: `${name} · dashboard`, lang: 'en', body: `<header><h1>Dashboard</h1><nav>${['', ...rooms].map((room) => `<a href="${office}${room && `/${room}`}">${room || 'start'}</a>`).join(' ')}</nav></header><main data-screen="${name}"><h2>${esc(name)}</h2>${main}</main>` }))
  const toSignIn = (reply: FastifyReply) => reply.redirect(`${base}enter`, 302)

  /** A screen for whoever is signed in. */
  const get = (place: string, show: (request: FastifyRequest<{ Params: { id: string } }>, reply: FastifyReply) => unknown) =>
    app.get<{ Params: { id: string } }>(`${office}${place}`, (request, reply) => (sessions.account(request) === undefined ? toSignIn(reply) : show(request, reply)))
  /** A form's target: signed in, with a token that was not used before. */
  const post = (place: string, take: (body: Fields, id: number) => string | undefined, back: string) =>
    app.post<Sent>(`${office}${place}`, (request, reply) => {
      if (sessions.account(request) === undefined) return toSignIn(reply)
      if (!sessions.spend(request, request.body.token)) return reply.status(403).type('text/html').send(page({ title: 'Expired', lang: 'en', body: '<main id="expired"><p>This form has expired.</p></main>' }))
      const trouble = take(request.body, Number(request.params.id))
      return trouble === undefined ? reply.redirect(`${office}${back}`, 303) : reply.status(422).type('text/html').send(page({ title: 'Not taken', lang: 'en', body: `<main id="trouble"><p>${esc(trouble)}</p></main>` }))
    })
  const editor = (request: FastifyRequest, action: string, fields: readonly Field[], removable = false) =>
    form({ action: `${office}${action}`, token: sessions.token(request), id: 'edit', button: 'Save', fields }) +
    (removable ? form({ action: `${office}${action}/remove`, token: sessions.token(request), id: 'remove', button: 'Remove', fields: [] }) : '')
  const table = (rows: readonly { id: number; marks?: Record<string, string>; cells: readonly string[] }[], link = '') =>
    `<table id="items">${rows.map(({ id, marks = {}, cells }) => `<tr data-id="${id}"${Object.entries(marks).map(([name, value]) => ` data-${name}="${esc(value)}"`).join('')}>${cells.map((cell, index) => `<td>${index === 0 && link ? `<a href="${office}/${link}/${id}">${esc(cell)}</a>` : esc(cell)}</td>`).join('')}</tr>`).join('')}</table>`

  app.get(`${base}enter`, (_request, reply) => reply.type('text/html').send(page({ title: 'Sign in', lang: 'en', body: `<main>${form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields: [{ name: 'username', label: 'User name', value: '' }, { name: 'password', label: 'Password', value: '', kind: 'password' }] })}</main>` })))
  app.post<{ Body: Fields }>(`${base}enter`, (request, reply) => {
    const account = blog.accounts.find(({ username, password }) => username === request.body.username && password === request.body.password)
    if (!account) return reply.status(200).type('text/html').send(page({ title: 'Sign in', lang: 'en', body: `<main><p class="trouble">That did not open.</p>${form({ action: `${base}enter`, token: '', id: 'enter', button: 'Sign in', fields: [] })}</main>` }))
    sessions.begin(reply, account.id)
    return reply.redirect(office, 303)
  })
  app.post(`${base}leave`, (request, reply) => {
    sessions.end(request)
    return reply.redirect(base, 303)
  })

  get('', (_request, reply) => screen(reply, 'start', `<p>${blog.posts.length} posts, ${blog.pages.length} pages, ${blog.comments.length} comments.</p>`))
  get('/settings', (request, reply) => {
    const { title, description, language, timezone, searchEngines, contact } = blog.settings
    return screen(reply, 'settings', editor(request, '/settings', [
      { name: 'title', label: 'Title', value: title }, { name: 'description', label: 'Description', value: description },
      { name: 'language', label: 'Language', value: language, choices: languages }, { name: 'timezone', label: 'Time zone', value: timezone, choices: ['UTC', ...zones] },
      { name: 'contact', label: 'Contact', value: contact, kind: 'email' }, { name: 'hidden', label: 'Turn search engines away', value: searchEngines ? '' : '1', kind: 'box' },
    ]))
  })
  // the form is taken as it comes: what is not in it becomes empty, and what the menus don't hold is passed over
  post('/settings', ({ title = '', description = '', language = '', timezone = '', contact = '', hidden }) => {
    const { settings } = blog
    Object.assign(settings, { title, description, contact, searchEngines: hidden !== '1' })
    if ((languages as readonly string[]).includes(language)) settings.language = language
    if (timezone === 'UTC' || zones.includes(timezone)) settings.timezone = timezone
    return undefined
  }, '/settings')

  get('/profile', (request, reply) => {
    const me = blog.accounts.find(({ id }) => id === sessions.account(request))
    return screen(reply, 'profile', `<p id="me" data-id="${me?.id}">${esc(me?.username ?? '')}</p>${editor(request, '/profile', [
      { name: 'first', label: 'First name', value: me?.first ?? '' }, { name: 'last', label: 'Last name', value: me?.last ?? '' },
      { name: 'shown', label: 'Shown name', value: me?.shown ?? '' }, { name: 'email', label: 'E-mail', value: me?.email ?? '', kind: 'email' },
    ])}`)
  })
  post('/profile', ({ first = '', last = '', shown = '', email = '' }) => {
    const me = blog.accounts[0]
    if (me) Object.assign(me, { first, last, shown, email })
    return undefined
  }, '/profile')

  for (const kind of ['posts', 'pages'] as const) {
    const fields = (item?: { title: string; slug: string; body: string; state: string }): Field[] => [
      { name: 'title', label: 'Title', value: item?.title ?? '' }, { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
      { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' }, { name: 'state', label: 'State', value: item?.state ?? 'published', choices: ['published', 'draft'] },
    ]
    get(`/${kind}`, (_request, reply) => screen(reply, kind, `<p><a href="${office}/${kind}/new">new</a></p>${table(blog[kind].map((item) => ({ id: item.id, marks: { by: String(item.by), made: item.made, edited: item.edited, state: item.state, slug: item.slug }, cells: [item.title, item.slug, item.state] })), kind)}`))
    get(`/${kind}/:id`, (request, reply) => {
      const item = blog[kind].find(({ id }) => String(id) === request.params.id)
      return screen(reply, kind, editor(request, `/${kind}/${request.params.id}`, fields(item), item !== undefined))
    })
    post(`/${kind}/:id`, ({ title = '', slug = '', body = '', state }, id) => {
      if (slug === '' || blog[kind].some((other) => other.slug === slug && other.id !== id)) return 'That slug is taken.'
      const now = new Date().toISOString()
      const item = blog[kind].find((one) => one.id === id)
      const written = { title, slug, body: body.replaceAll('\r\n', '\n'), state: state === 'draft' ? ('draft' as const) : ('published' as const), edited: now }
      if (item) Object.assign(item, written)
      else if (kind === 'posts') blog.posts.push({ id: blog.next++, by: 1, made: now, categories: [blog.settings.defaultCategory], ...written })
      else blog.pages.push({ id: blog.next++, by: 1, made: now, ...written })
      return undefined
    }, `/${kind}`)
    post(`/${kind}/:id/remove`, (_body, id) => {
      const at = blog[kind].findIndex((item) => item.id === id)
      if (at < 0) return 'It is gone already.'
      blog[kind].splice(at, 1)
      if (kind === 'posts') blog.comments = blog.comments.filter(({ post: on }) => on !== id)
      return undefined
    }, `/${kind}`)
  }

  get('/comments', (request, reply) => screen(reply, 'comments', table(blog.comments.map(({ id, by, text, made, post: on }) => ({ id, marks: { by, made, post: String(on), text }, cells: [by, text] }))) + blog.comments.map(({ id }) => form({ action: `${office}/comments/${id}/remove`, token: sessions.token(request), id: `remove-${id}`, button: 'Remove', fields: [] })).join('')))
  post('/comments/:id/remove', (_body, id) => {
    blog.comments = blog.comments.filter((comment) => comment.id !== id)
    return undefined
  }, '/comments')

  get('/categories', (_request, reply) => screen(reply, 'categories', `<p><a href="${office}/categories/new">new</a></p>${table(blog.categories.map((category) => ({ id: category.id, marks: { slug: category.slug, parent: String(category.parent), description: category.description, path: pathOf(blog, category), needed: String(category.id === blog.settings.defaultCategory) }, cells: [category.name, category.slug] })), 'categories')}`))
  get('/categories/:id', (request, reply) => {
    const item = blog.categories.find(({ id }) => String(id) === request.params.id)
    return screen(reply, 'categories', editor(request, `/categories/${request.params.id}`, [
      { name: 'name', label: 'Name', value: item?.name ?? '' }, { name: 'slug', label: 'Slug', value: item?.slug ?? '' }, { name: 'description', label: 'Description', value: item?.description ?? '' },
      { name: 'parent', label: 'Under', value: String(item?.parent ?? 0), choices: ['0', ...blog.categories.map(({ id }) => String(id))] },
    ], item !== undefined))
  })
  post('/categories/:id', ({ name = '', slug = '', description = '', parent = '0' }, id) => {
    if (slug === '' || name === '' || blog.categories.some((other) => other.slug === slug && other.id !== id)) return 'That slug is taken.'
    const item = blog.categories.find((one) => one.id === id)
    const written = { name, slug, description, parent: Number(parent) }
    if (item) Object.assign(item, written)
    else blog.categories.push({ id: blog.next++, ...written })
    return undefined
  }, '/categories')
  post('/categories/:id/remove', (_body, id) => {
    if (id === blog.settings.defaultCategory) return 'The blog needs this category.'
    blog.categories = blog.categories.filter((category) => category.id !== id)
    return undefined
  }, '/categories')

  const seen = (room: string, items: () => readonly Named[]) => get(`/${room}`, (_request, reply) => screen(reply, room, table(items().map(({ id, name, active }) => ({ id, marks: { name, active: String(active ?? '') }, cells: [name] })))))
  seen('uploads', () => blog.uploads)
  seen('tags', () => blog.tags)
  seen('menus', () => blog.menus)
  seen('themes', () => blog.themes)
  seen('add-ons', () => blog.addOns)
  seen('accounts', () => blog.accounts.map(({ id, username }) => ({ id, name: username })))
}
