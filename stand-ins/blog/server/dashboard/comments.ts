import type { Blog } from '../model.js'
import type { Office } from '../../../common/server/office.js'

/** Comments: a list, and a form to remove each. */
export function comments(office: Office, blog: Blog): void {
  office.get('/comments', (request, reply) => {
    const rows = blog.comments.map(({ id, by, text, made, post, state }) => ({
      id,
      marks: { by, made, post: String(post), text, state },
      cells: [by, text, state],
    }))
    const removers = blog.comments.map(({ id }) => office.remover(request, `/comments/${id}`, `remove-${id}`))
    return office.screen(reply, 'comments', office.table(rows) + removers.join(''))
  })
  office.post('/comments/:id/remove', '/comments', (_body, id) => {
    blog.comments = blog.comments.filter((comment) => comment.id !== id)
    return undefined
  })
}
