import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carrier, IdOf } from '../../step.js'
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
        : await session.rest('POST', '/wp/v2/comments', '', load)
    session.shelf.forget('comments')
    if (answer.status >= 400) return [{ refused: refusal(answer.status, jsonOf(answer)) }]
    return [{ id: made.safeParse(jsonOf(answer)).data?.id }]
  },
}
