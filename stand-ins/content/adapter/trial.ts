import { formOn, has, type CommentTry, type Trying } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

/** A visitor's comment under a piece of news, for trying the rules. */
export const tryComment: Trying<CommentTry> = async (_try, { visitor, address, text }) => {
  const page = await visitor.get(address)
  const form = formOn(page.text, 'form#say')
  if (!form) return { came: 'refused' }
  const answer = await visitor.post(
    new URL(form.action, page.url).href,
    { ...form.fields, by: 'A visitor', text },
    { follow: true },
  )
  if (has(answer.text, '#held')) return { came: 'held' }
  return { came: answer.text.includes(text) ? 'shown' : 'refused' }
}

/** Takes away every comment with this mark. */
export async function takeCommentsAway(session: StandInSession, mark: string): Promise<void> {
  session.shelf.forget('comments')
  for (const { id, cells } of await session.rows('comments'))
    if (cells[1]?.includes(mark)) await session.send('comments', { form: `remove-${id}`, to: `comments/${id}/remove` })
}
