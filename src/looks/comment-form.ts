import type { CommentFormLook } from '../core/areas/commenting.js'
import { has } from '../web/forms.js'
import { bad, good, type Look } from './look.js'
import { closedTo } from './parts.js'

/**
 * Whether a post shows visitors the form for a comment, as planned.
 * @param form its selector
 * @example const commenting = { looks: { 'comment-form': commentFormAt('form#comment') } }
 */
export const commentFormAt =
  (form: string): Look<CommentFormLook> =>
  async ({ open }, { place, visit }) => {
    const answer = await visit(place)
    const closed = closedTo(answer)
    if (closed) return closed
    if (has(answer.text, form) === open) return good(answer.url)
    return bad(`${answer.url} ${open ? 'has no form for a comment' : 'lets visitors comment'}`)
  }
