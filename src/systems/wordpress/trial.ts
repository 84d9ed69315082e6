import { formOn, has } from '../../web/forms.js'
import type { Answer } from '../../web/answer.js'
import type { Visitor } from '../../web/visitor.js'
import { commentsOf } from './items.js'
import type { WordPressSession } from './session.js'

/** A visitor's comment under a post, sent the way its page offers it. */
export const trial = {
  async comment(visitor: Visitor, post: Answer, text: string): Promise<'shown' | 'held' | 'refused'> {
    const form = formOn(post.text, 'form#commentform')
    if (!form) return 'refused'
    const answer = await visitor.post(form.action, {
      ...form.fields,
      comment: text,
      author: 'A visitor',
      email: 'visitor@trial.example',
      url: '',
    })
    const to = answer.headers.location ?? ''
    if (answer.status !== 302) return 'refused'
    if (/[?&]unapproved=/.test(to)) return 'held'
    const page = await visitor.get(to)
    return has(page.text, '.comment, .wp-block-comment-template') && page.text.includes(text) ? 'shown' : 'held'
  },
  async remove(session: WordPressSession, text: string): Promise<void> {
    session.shelf.forget('comments')
    const ours = (await commentsOf(session)).filter(({ content }) => content.raw.includes(text))
    for (const { id } of ours) await session.rest('DELETE', `/wp/v2/comments/${id}`, 'force=true')
    session.shelf.forget('comments')
  },
}
