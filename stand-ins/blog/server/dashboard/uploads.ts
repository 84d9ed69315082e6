import type { Blog } from '../model.js'
import type { Office } from '../../../common/server/office.js'

/** Files for visitors: a list, and a form for another. */
export function uploads(office: Office, blog: Blog): void {
  office.get('/uploads', (_request, reply) => {
    const rows = blog.uploads.map(({ id, name, type }) => ({ id, marks: { name, type }, cells: [name] }))
    const add = `<p><a href="${office.place}/uploads/new">new</a></p>`
    return office.screen(reply, 'uploads', add + office.table(rows, 'uploads'))
  })
  office.get('/uploads/:id', (request, reply) => {
    const { id } = request.params
    const file = [{ name: 'file', label: 'File', value: '', kind: 'file' as const }]
    return office.screen(
      reply,
      'uploads',
      id === 'new' ? office.editor(request, '/uploads/new', file) : office.remover(request, `/uploads/${id}`, 'remove'),
    )
  })
  office.post('/uploads/new', '/uploads', (_body, _id, _request, file) => {
    if (!file || !/^[\w.-]+$/.test(file.name)) return 'There was no file in it.'
    blog.uploads.push({ id: blog.next, ...file })
    return blog.next++
  })
  office.post('/uploads/:id/remove', '/uploads', (_body, id) => {
    blog.uploads = blog.uploads.filter((one) => one.id !== id)
    return undefined
  })
}
