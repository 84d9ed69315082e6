import type { Field } from '../html.js'
import { pathOf, type Blog, type Category } from '../model.js'
import type { Office } from '../../../common/server/office.js'

/** Categories: a list, and a form an item. */
export function categories(office: Office, blog: Blog): void {
  const fieldsOf = (item?: Category): Field[] => [
    { name: 'name', label: 'Name', value: item?.name ?? '' },
    { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
    { name: 'description', label: 'Description', value: item?.description ?? '' },
    { name: 'parent', label: 'Under, by number', value: String(item?.parent ?? 0) },
    {
      name: 'default',
      label: 'For posts without a category',
      value: item?.id === blog.settings.defaultCategory ? '1' : '',
      kind: 'box',
    },
  ]
  office.get('/categories', (_request, reply) => {
    const rows = blog.categories.map((category) => {
      const { id, name, slug, description, parent } = category
      const needed = String(id === blog.settings.defaultCategory)
      const marks = { slug, parent: String(parent), description, path: pathOf(blog.categories, category), needed }
      return { id, marks, cells: [name, slug] }
    })
    const add = `<p><a href="${office.place}/categories/new">new</a></p>`
    return office.screen(reply, 'categories', add + office.table(rows, 'categories'))
  })
  office.get('/categories/:id', (request, reply) => {
    const item = blog.categories.find(({ id }) => String(id) === request.params.id)
    const editor = office.editor(request, `/categories/${request.params.id}`, fieldsOf(item), item !== undefined)
    return office.screen(reply, 'categories', editor)
  })
  office.post('/categories/:id', '/categories', (body, id) => {
    const { name = '', slug = '', description = '', parent = '0' } = body
    const taken = blog.categories.some((other) => other.slug === slug && other.id !== id)
    if (slug === '' || name === '' || taken) return 'That slug is taken.'
    const written = { name, slug, description, parent: Number(parent) }
    const item = blog.categories.find((one) => one.id === id)
    if (item) Object.assign(item, written)
    else blog.categories.push({ id: blog.next, ...written })
    if (body.default === '1') blog.settings.defaultCategory = item?.id ?? blog.next
    return item ? undefined : blog.next++
  })
  office.post('/categories/:id/remove', '/categories', (_body, id) => {
    if (id === blog.settings.defaultCategory) return 'The blog needs this category.'
    blog.categories = blog.categories.filter((category) => category.id !== id)
    for (const post of blog.posts)
      post.categories = post.categories.map((number) => (number === id ? blog.settings.defaultCategory : number))
    return undefined
  })
}
