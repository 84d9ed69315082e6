import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { comments as carrier } from '../carriers/comments.js'
import { placeOf } from '../comments.js'
import { commentsOf, nodesOf } from '../nodes.js'
import type { PloneSession } from '../session.js'

/** What visitors wrote: it keeps what it stands under. */
export const comments: AreaOnSystem<'comments', PloneSession> = {
  keys: ['by', 'on'],
  async read(session) {
    const [all, tree] = [await commentsOf(session), await nodesOf(session)]
    return all.map((comment) => {
      const { place, on } = placeOf(tree, comment['@id'])
      const node = tree.on(on)
      const under = node?.type === 'News Item' ? refOf('posts', on.split('/').at(-1) ?? '') : refOf('pages', on)
      return {
        id: place,
        item: { key: comment.comment_id, by: comment.author_name ?? '', on: under },
        stamp: comment.creation_date ?? undefined,
        text: comment.text.data,
        copy: comment,
      }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? [Step.of(carrier, { remove: idOf(difference.ref) }, { proves: [difference] })]
        : [],
    ),
}
