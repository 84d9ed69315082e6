import type { Office } from '../../../common/server/office.js'
import type { ContentSite } from '../model.js'
import { boxes, ticked } from './sharing.js'

/** Files: a list, a form for another, and one a file for who may see it. */
export function uploads(office: Office, site: ContentSite): void {
  const byNumber = (number: string | number) => site.uploads.find(({ id }) => String(id) === String(number))
  office.get('/uploads', (_request, reply) => {
    const rows = site.uploads.map(({ id, name, type, made, read }) => ({
      id,
      marks: { name, type, made, read: read.join(',') },
      cells: [name],
    }))
    const add = `<p><a href="${office.place}/uploads/new">new</a></p>`
    return office.screen(reply, 'uploads', add + office.table(rows, 'uploads'))
  })
  office.get('/uploads/:id', (request, reply) => {
    const { id } = request.params
    const own = byNumber(id)
    const file = { name: 'file', label: 'File', value: '', kind: 'file' as const }
    const fields = [...(own ? [] : [file]), ...boxes(site, 'read', own?.read ?? [])]
    return office.screen(reply, 'uploads', office.editor(request, `/uploads/${id}`, fields, own !== undefined))
  })
  office.post('/uploads/:id', '/uploads', (body, id, _request, file) => {
    const own = byNumber(id)
    const read = ticked(site, 'read', body)
    if (own) return void Object.assign(own, { read })
    if (!file || !/^[\w.-]+$/.test(file.name)) return 'There was no file in it.'
    if (site.uploads.some(({ name }) => name === file.name)) return 'That name is taken.'
    site.uploads.push({ id: site.next, ...file, made: new Date().toISOString(), read })
    return site.next++
  })
  office.post('/uploads/:id/remove', '/uploads', (_body, id) => {
    site.uploads = site.uploads.filter((one) => one.id !== id)
    for (const picture of ['icon', 'logo'] as const) if (site.settings[picture] === id) site.settings[picture] = 0
    return undefined
  })
}
