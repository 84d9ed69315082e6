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
  office.get('/comments/:id', (request, reply) => {
    const fields = [
      { name: 'post', label: 'Under, by number', value: '' },
      { name: 'by', label: 'By', value: '' },
      { name: 'text', label: 'Text', value: '', kind: 'long' as const },
      { name: 'made', label: 'Written', value: '' },
      { name: 'state', label: 'State', value: 'shown', choices: ['shown', 'held'] },
    ]
    return office.screen(reply, 'comments', office.editor(request, `/comments/${request.params.id}`, fields))
  })
  office.post('/comments/new', '/comments', ({ post, by = '', text = '', made = '', state }) => {
    if (!blog.posts.some(({ id }) => String(id) === post)) return 'There is no such post.'
    const held = state === 'held' ? 'held' : 'shown'
    blog.comments.push({ id: blog.next, post: Number(post), by, text, made, state: held })
    return blog.next++
  })
  office.post('/comments/:id/remove', '/comments', (_body, id) => {
    blog.comments = blog.comments.filter((comment) => comment.id !== id)
    return undefined
  })
}
