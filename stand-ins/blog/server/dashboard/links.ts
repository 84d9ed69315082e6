import type { Blog } from '../model.js'
import type { Office } from '../../../common/server/office.js'

/** Links to other sites, the categories they stand in, and tags: a list each, and a form an item. */
export function links(office: Office, blog: Blog): void {
  office.get('/links', (_request, reply) => {
    const rows = blog.links.map(({ id, title, link, description, category }) => ({
      id,
      marks: { link, description, category: String(category) },
      cells: [title],
    }))
    return office.screen(reply, 'links', office.table(rows, 'links'))
  })
  office.get('/links/:id', (request, reply) => {
    const item = blog.links.find(({ id }) => String(id) === request.params.id)
    const numbers = ['0', ...blog.linkCategories.map(({ id }) => String(id))]
    const fields = [
      { name: 'title', label: 'Title', value: item?.title ?? '' },
      { name: 'link', label: 'Leads to', value: item?.link ?? '' },
      { name: 'description', label: 'Description', value: item?.description ?? '' },
      { name: 'category', label: 'Category', value: String(item?.category ?? 0), choices: numbers },
    ]
    return office.screen(reply, 'links', office.editor(request, `/links/${request.params.id}`, fields, !!item))
  })
  office.post('/links/:id', '/links', ({ title = '', link = '', description = '', category }, id) => {
    if (title === '' || !URL.canParse(link)) return 'A link wants a title, and an address.'
    const written = { title, link, description, category: Number(category) }
    const item = blog.links.find((one) => one.id === id)
    if (item) return void Object.assign(item, written)
    blog.links.push({ id: blog.next, ...written })
    return blog.next++
  })
  office.post('/links/:id/remove', '/links', (_body, id) => {
    blog.links = blog.links.filter((one) => one.id !== id)
    return undefined
  })
}

/** Names with a slug and nothing more: tags, and categories of links. */
export function terms(office: Office, blog: Blog, room: 'tags' | 'link-categories'): void {
  const kind = room === 'tags' ? 'tags' : 'linkCategories'
  office.get(`/${room}`, (_request, reply) => {
    const rows = blog[kind].map(({ id, name, slug }) => ({ id, marks: { name, slug }, cells: [name, slug] }))
    return office.screen(reply, room, office.table(rows, room))
  })
  office.get(`/${room}/:id`, (request, reply) => {
    const item = blog[kind].find(({ id }) => String(id) === request.params.id)
    const fields = [
      { name: 'name', label: 'Name', value: item?.name ?? '' },
      { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
    ]
    return office.screen(reply, room, office.editor(request, `/${room}/${request.params.id}`, fields, !!item))
  })
  office.post(`/${room}/:id`, `/${room}`, ({ name = '', slug = '' }, id) => {
    if (name === '' || slug === '' || blog[kind].some((one) => one.slug === slug && one.id !== id))
      return 'That slug is taken.'
    const item = blog[kind].find((one) => one.id === id)
    if (item) return void Object.assign(item, { name, slug })
    blog[kind].push({ id: blog.next, name, slug })
    return blog.next++
  })
  office.post(`/${room}/:id/remove`, `/${room}`, (_body, id) => {
    blog[kind] = blog[kind].filter((one) => one.id !== id)
    return undefined
  })
}
