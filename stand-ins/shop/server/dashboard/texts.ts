import type { Office } from '../../../common/server/office.js'
import { isTaken, type MenuEntry, type Page, type Shop } from '../model.js'
import { isSlug, itemRoom, linesOf, textIn } from './room.js'

/** Pages, files and the menu. */
export function texts(office: Office, shop: Shop): void {
  itemRoom<Page>(office, () => shop.next++, {
    room: 'pages',
    all: () => shop.pages,
    name: ({ title }) => title,
    marks: ({ slug, body, state, made, edited }) => ({ slug, body, state, made, edited }),
    fields: (item) => [
      { name: 'title', label: 'Title', value: item?.title ?? '' },
      { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
      { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' },
      { name: 'state', label: 'State', value: item?.state ?? 'draft', choices: ['published', 'draft'] },
    ],
    refuses({ title = '', slug = '' }, item) {
      if (title === '') return 'It needs a title.'
      return !isSlug(slug) || isTaken(shop, slug, item) ? 'That slug is taken, or none.' : undefined
    },
    take: ({ title = '', slug = '', body, state }) => ({
      ...{
        title,
        slug,
        body: textIn(body),
        state: state === 'published' ? ('published' as const) : ('draft' as const),
      },
    }),
  })
  office.get('/uploads', (_request, reply) => {
    const rows = shop.uploads.map(({ id, name, type, made }) => ({ id, marks: { name, type, made }, cells: [name] }))
    const add = `<p><a href="${office.place}/uploads/new">new</a></p>`
    return office.screen(reply, 'uploads', add + office.table(rows, 'uploads'))
  })
  office.get('/uploads/:id', (request, reply) => {
    const { id } = request.params
    const own = shop.uploads.some((one) => String(one.id) === id)
    const file = { name: 'file', label: 'File', value: '', kind: 'file' as const }
    return office.screen(reply, 'uploads', office.editor(request, `/uploads/${id}`, own ? [] : [file], own))
  })
  office.post('/uploads/:id', '/uploads', (_body, _id, _request, file) => {
    if (!file || !/^[\w.-]+$/.test(file.name)) return 'There was no file in it.'
    const own = shop.uploads.find(({ name }) => name === file.name)
    // a file of the same name takes its place: nobody is asked
    if (own) return Object.assign(own, file).id
    shop.uploads.push({ id: shop.next, ...file, made: new Date().toISOString() })
    return shop.next++
  })
  office.post('/uploads/:id/remove', '/uploads', (_body, id) => {
    shop.uploads = shop.uploads.filter((one) => one.id !== id)
    for (const picture of ['icon', 'logo'] as const) if (shop.settings[picture] === id) shop.settings[picture] = 0
    for (const product of shop.products) product.pictures = product.pictures.filter((one) => one !== id)
    return undefined
  })
  office.get('/menu', (request, reply) => {
    const value = shop.menu.map(({ kind, to, label }) => `${kind} ${to} ${label}`).join('\n')
    const label = 'One entry a line; none: all categories at the top'
    return office.screen(
      reply,
      'menu',
      office.editor(request, '/menu', [{ name: 'lines', label, value, kind: 'long' }]),
    )
  })
  office.post('/menu', '/menu', ({ lines }) => {
    const entries = linesOf(lines).map((line): MenuEntry | undefined => {
      const [, kind, to = '', label = ''] = /^(page|category|link) (\S+) (.+)$/.exec(line) ?? []
      return kind === undefined ? undefined : { kind: kind as MenuEntry['kind'], to, label }
    })
    if (entries.includes(undefined)) return 'One of the lines is no entry.'
    shop.menu = entries.filter((entry) => entry !== undefined)
    return undefined
  })
}
