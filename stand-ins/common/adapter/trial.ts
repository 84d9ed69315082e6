import { formOn, has, type CommentTry, type Trying } from 'unpack'
import type { StandInSession } from './session.js'

/** A visitor's comment under a post or a piece of news, for trying the rules. */
export const tryComment: Trying<CommentTry> = async ({ links }, { visitor, address, text: ours }) => {
  const post = await visitor.get(address)
  const form = formOn(post.text, 'form#say')
  if (!form) return { came: 'refused' }
  const text = [ours, ...Array.from({ length: links }, (_, index) => `https://trial${index}.example/`)].join(' ')
  const answer = await visitor.post(
    new URL(form.action, post.url).href,
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
