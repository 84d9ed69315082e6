import type { Office } from '../../../common/server/office.js'
import type { ContentSite } from '../model.js'

/** Comments: a list, and a form to remove each. */
export function comments(office: Office, site: ContentSite): void {
  office.get('/comments', (request, reply) => {
    const rows = site.comments.map(({ id, by, text, made, news, state }) => ({
      id,
      marks: { by, made, news: String(news), text, state },
      cells: [by, text, state],
    }))
    const removers = site.comments.map(({ id }) => office.remover(request, `/comments/${id}`, `remove-${id}`))
    return office.screen(reply, 'comments', office.table(rows) + removers.join(''))
  })
  office.post('/comments/:id/remove', '/comments', (_body, id) => {
    site.comments = site.comments.filter((comment) => comment.id !== id)
    return undefined
  })
}
