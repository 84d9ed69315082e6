import type { Field } from '../html.js'
import type { Blog, Page } from '../model.js'
import type { Office } from './office.js'

const fieldsOf = (item?: Page): Field[] => [
  { name: 'title', label: 'Title', value: item?.title ?? '' },
  { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
  { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' },
  { name: 'state', label: 'State', value: item?.state ?? 'published', choices: ['published', 'draft'] },
]

/** Posts and pages: a list, and a form an item. */
export function entries(office: Office, blog: Blog, kind: 'posts' | 'pages'): void {
  office.get(`/${kind}`, (_request, reply) => {
    const rows = blog[kind].map(({ id, title, slug, state, by, made, edited }) => ({
      id,
      marks: { by: String(by), made, edited, state, slug },
      cells: [title, slug, state],
    }))
    const add = `<p><a href="${office.place}/${kind}/new">new</a></p>`
    return office.screen(reply, kind, add + office.table(rows, kind))
  })
  office.get(`/${kind}/:id`, (request, reply) => {
    const item = blog[kind].find(({ id }) => String(id) === request.params.id)
    const editor = office.editor(request, `/${kind}/${request.params.id}`, fieldsOf(item), item !== undefined)
    return office.screen(reply, kind, editor)
  })
  office.post(`/${kind}/:id`, `/${kind}`, ({ title = '', slug = '', body = '', state }, id) => {
    if (slug === '' || blog[kind].some((other) => other.slug === slug && other.id !== id)) return 'That slug is taken.'
    const now = new Date().toISOString()
    const written = {
      title,
      slug,
      body: body.replaceAll('\r\n', '\n'),
      state: state === 'draft' ? ('draft' as const) : ('published' as const),
      edited: now,
    }
    const item = blog[kind].find((one) => one.id === id)
    if (item) Object.assign(item, written)
    else {
      const made = { id: blog.next++, by: 1, made: now, ...written }
      if (kind === 'posts') blog.posts.push({ ...made, categories: [blog.settings.defaultCategory] })
      else blog.pages.push(made)
    }
    return undefined
  })
  office.post(`/${kind}/:id/remove`, `/${kind}`, (_body, id) => {
    const at = blog[kind].findIndex((item) => item.id === id)
    if (at < 0) return 'It is gone already.'
    blog[kind].splice(at, 1)
    if (kind === 'posts') blog.comments = blog.comments.filter(({ post }) => post !== id)
    return undefined
  })
}
