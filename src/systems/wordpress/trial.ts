import type { CommentTry } from '../../core/areas/commenting.js'
import type { Trying } from '../../looks/trying.js'
import { formOn, has } from '../../web/forms.js'
import { commentsOf } from './items.js'
import type { WordPressSession } from './session.js'

/** A visitor's comment under a post, sent the way its page offers it. */
export const tryComment: Trying<CommentTry> = async ({ links }, { visitor, address, text: ours }) => {
  const post = await visitor.get(address)
  const form = formOn(post.text, 'form#commentform')
  if (!form) return { came: 'refused' }
  const text = [ours, ...Array.from({ length: links }, (_, index) => `https://trial${index}.example/`)].join(' ')
  const answer = await visitor.post(form.action, {
    ...form.fields,
    comment: text,
    author: 'A visitor',
    email: 'visitor@trial.example',
    url: '',
  })
  const to = answer.headers.location ?? ''
  if (answer.status !== 302) return { came: 'refused' }
  if (/[?&]unapproved=/.test(to)) return { came: 'held' }
  const page = await visitor.get(to)
  const isShown = has(page.text, '.comment, .wp-block-comment-template') && page.text.includes(ours)
  return { came: isShown ? 'shown' : 'held' }
}

/** Takes away every comment with this mark. */
export async function takeCommentsAway(session: WordPressSession, mark: string): Promise<void> {
  session.shelf.forget('comments')
  const ours = (await commentsOf(session)).filter(({ content }) => content.raw.includes(mark))
  for (const { id } of ours) await session.rest('DELETE', `/wp/v2/comments/${id}`, 'force=true')
  session.shelf.forget('comments')
}
