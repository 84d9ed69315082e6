import { formOn, has, type System } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

/** A visitor's comment, for trying the rules. */
export const trial: NonNullable<System<StandInSession>['trial']> = {
  async comment(visitor, post, text) {
    const form = formOn(post.text, 'form#say')
    if (!form) return 'refused'
    const answer = await visitor.post(form.action, { ...form.fields, by: 'A visitor', text }, { follow: true })
    if (has(answer.text, '#held')) return 'held'
    return answer.text.includes(text) ? 'shown' : 'refused'
  },
  async remove(session, text) {
    session.shelf.forget('comments')
    for (const { id, cells } of await session.rows('comments'))
      if (cells[1]?.includes(text))
        await session.send('comments', { form: `remove-${id}`, to: `comments/${id}/remove` })
  },
}
