import type { Office } from '../../../common/server/office.js'
import type { Board } from '../model.js'

/** Topics: a list, and a button to remove each. */
export function topics(office: Office, board: Board): void {
  office.get('/topics', (request, reply) => {
    const rows = board.topics.map(({ id, title, forum, by, made, edited, posts }) => {
      const same = posts.length === 1 && made === edited && posts[0]?.made === posts[0]?.edited
      const marks = { forum: String(forum), by: String(by), untouched: String(same), made, text: posts[0]?.text ?? '' }
      return { id, marks, cells: [title] }
    })
    const buttons = board.topics.map(({ id }) => office.remover(request, `/topics/${id}`, `remove-${id}`))
    return office.screen(reply, 'topics', office.table(rows) + buttons.join(''))
  })
  office.post('/topics/:id/remove', '/topics', (_body, id) => {
    board.topics = board.topics.filter((topic) => topic.id !== id)
    return undefined
  })
}
