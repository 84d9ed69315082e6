import type { CommentTry } from '../../core/areas/commenting.js'
import { formOn, has } from '../../web/forms.js'
import type { Trying } from '../../looks/trying.js'
import { commentsOf, forgetNodes, nodesOf, type Tree } from './nodes.js'
import type { PloneSession } from './session.js'

/** A visitor's comment under a post, sent the way its page offers it. */
export const tryComment: Trying<CommentTry> = async ({ links }, { visitor, address, text: ours }) => {
  const page = await visitor.get(address)
  const form = formOn(page.text, COMMENT_FORM)
  if (!form) return { came: 'refused' }
  const text = [ours, ...Array.from({ length: links }, (_, index) => `https://trial${index}.example/`)].join(' ')
  const answer = await visitor.ask(form.action, {
    method: 'POST',
    parts: {
      ...form.fields,
      'form.widgets.author_name': 'A visitor',
      'form.widgets.text': text,
      'form.buttons.comment': 'Comment',
    },
  })
  if (answer.status !== 302) return { came: 'refused' }
  const after = await visitor.get(address)
  return { came: has(after.text, '.comment') && after.text.includes(ours) ? 'shown' : 'held' }
}
export const COMMENT_FORM = '#commenting form'

/** Where a comment stands, counted from the site's address, and what it stands under. */
export function placeOf(tree: Tree, id: string): { place: string; on: string } {
  const place = id.slice(tree.root.length + 1)
  return { place, on: place.replace(/\/@comments\/.*/, '') }
}

/** Every comment with this mark goes again: those that wait as well. */
export async function takeCommentsAway(session: PloneSession, mark: string): Promise<void> {
  forgetNodes(session)
  const [all, tree] = [await commentsOf(session), await nodesOf(session)]
  for (const one of all) if (one.text.data.includes(mark)) await session.rest('DELETE', placeOf(tree, one['@id']).place)
  forgetNodes(session)
}
