import { z } from 'zod'
import { jsonOf, type Answer } from '../../../web/answer.js'
import type { IdOf, Resolved } from '../../later.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'

export type CommentFields =
  | { remove: IdOf }
  | {
      post: IdOf
      author_name: string
      author_email: string
      author_url: string
      author_user_agent: string
      parent?: IdOf
      content: string
      date_gmt: string
      status: string
    }

const made = z.object({ id: z.number() })

/** Under a post that is closed to comments, one that is given back is taken while it is opened for a moment. */
async function written(session: WordPressSession, load: Resolved<CommentFields>): Promise<Answer> {
  const write = () => session.rest('POST', '/wp/v2/comments', '', load)
  const answer = await write()
  if (!('post' in load) || refusal(answer.status, jsonOf(answer)) !== 'rest_comment_closed') return answer
  const set = (comment_status: 'open' | 'closed') =>
    Promise.all(
      ['posts', 'pages'].map((route) => session.rest('POST', `/wp/v2/${route}/${load.post}`, '', { comment_status })),
    )
  await set('open')
  try {
    return await write()
  } finally {
    await set('closed')
    session.shelf.forget('posts', 'pages')
  }
}

/** Comments, which the system takes only one at a time. */
export const comments: Carrier<CommentFields, WordPressSession> = {
  name: 'comments',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const answer =
      'remove' in load
        ? await session.rest('DELETE', `/wp/v2/comments/${load.remove}`, 'force=true')
        : await written(session, load)
    session.shelf.forget('comments')
    if (answer.status >= 400) return [{ refused: refusal(answer.status, jsonOf(answer)) }]
    return [{ id: made.safeParse(jsonOf(answer)).data?.id }]
  },
}
