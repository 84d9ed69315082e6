import { digest } from '../../../core/text/digest.js'
import { strippedText } from '../../../core/text/plain.js'
import { refOf } from '../../../core/ref.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { shipped, wordsFor } from '../shipped-words.js'
import { comments as carrier } from '../carriers/comments.js'
import { commentSchema, commentsOf, pageRefsOf, postsOf } from '../items.js'
import { atBirth, birthOf } from '../birth.js'
import type { WordPressSession } from '../session.js'
import { shippedTexts } from '../shipped-texts.js'
import { leadsAsShipped } from '../shipped-leads.js'

const FIRST = 1
const SHIPPED_BY = 'wapuu@wordpress.example'

export const comments: AreaOnSystem<'comments', WordPressSession> = {
  keys: ['by', 'on'],
  async read(session) {
    const [all, posts, pages, birth] = await Promise.all([
      commentsOf(session),
      postsOf(session),
      pageRefsOf(session),
      birthOf(session),
    ])
    const holders = new Map([...posts.map(({ id, slug }) => [id, refOf('posts', slug)] as const), ...pages])
    return all.map((comment) => ({
      id: comment.id,
      item: { key: String(comment.id), by: comment.author_name, on: holders.get(comment.post) ?? '' },
      marks: {
        place: comment.id === FIRST && comment.author_email === SHIPPED_BY && comment.author_ip === '',
        untouched: atBirth(comment.date_gmt, birth),
        known:
          shippedTexts.comment.has(digest(strippedText(comment.content.raw))) &&
          leadsAsShipped('comment', comment.content.raw, session.visitor.home),
      },
      text: comment.content.raw,
      copy: { ...comment, _links: undefined, on: holders.get(comment.post) },
    }))
  },
  translate: (differences) =>
    differences.map((difference) => Step.of(carrier, { remove: idOf(difference.ref) }, { proves: [difference] })),
  again({ ref, item, copy }) {
    const { author_name, author_email, author_url, author_user_agent, content, date_gmt, status, parent } =
      commentSchema.parse(copy)
    // an answer to another one finds it again, whether that was made again as well or not
    const above = parent === 0 ? {} : { parent: idOf(refOf('comments', String(parent))) }
    return Step.of(
      carrier,
      {
        post: idOf(item.on),
        ...above,
        ...{ author_name, author_email, author_url, author_user_agent, content: content.raw, date_gmt, status },
      },
      { proves: [], gives: ref },
    )
  },
  ships(baseline) {
    const { commentBy, post } = wordsFor(baseline)
    return [{ id: 1, item: { key: '1', by: commentBy, on: `posts/${post.slug}` }, marks: shipped }]
  },
}
