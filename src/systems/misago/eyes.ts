import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import { jsonOf } from '../../web/answer.js'
import type { Visitor } from '../../web/visitor.js'
import type { Eyes, Seen } from '../eyes.js'
import { topicsIn } from './areas/topics.js'
import { pageIn } from './page.js'
import type { MisagoSession } from './session.js'
import { tokenOf } from './sign-in.js'
import { treeOf } from './tree.js'

const made = z.object({ id: z.number() })
/** Milliseconds that the system wants between two posts of one member, and a little more. */
const BETWEEN_POSTS = 3200
const wait = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds))
const last = new WeakMap<Visitor, number>()

/** Forums as visitor, member and owner find them: one page of the public side tells each of them everything. */
export const eyes: Eyes = {
  async look(visitor, forums) {
    const answer = await visitor.get('')
    const page = pageIn(answer)
    if (!page)
      throw UnpackError.of(
        'screen-unexpected',
        { url: answer.url, wanted: 'the page’s own data' },
        { page: answer.text },
      )
    const { acl } = page.user
    return new Map(
      forums.map(({ ref, id }): [string, Seen] => {
        const own = acl.categories.find((one) => one.id === id)
        // the rights that are told leave out whether a category is closed
        const shut = page.CATEGORIES.find((one) => one.id === id)?.is_closed === true && !own?.can_close_threads
        return [
          ref,
          {
            see: acl.visible_categories.includes(Number(id)),
            read: acl.browseable_categories.includes(Number(id)),
            start: Boolean(own?.can_start_threads) && !shut,
            reply: Boolean(own?.can_reply_threads) && !shut,
          },
        ]
      }),
    )
  },
  async act(visitor, action, forum, text, topic) {
    const before = last.get(visitor)
    if (before !== undefined) await wait(Math.max(0, before + BETWEEN_POSTS - Date.now()))
    const [place, json] =
      action === 'start'
        ? ['api/threads/', { category: forum.id, title: text, post: text }]
        : [`api/threads/${topic ?? ''}/posts/`, { post: text }]
    const answer = await visitor.ask(place, { method: 'POST', json, headers: await tokenOf(visitor) })
    if (answer.status !== 200) return undefined
    last.set(visitor, Date.now())
    return made.safeParse(jsonOf(answer)).data?.id
  },
}

/** Takes away every topic with this text in its title. */
export async function takeTopicsAway(session: MisagoSession, text: string): Promise<void> {
  session.shelf.forget('tree', 'categories/')
  for (const { id, topics } of await treeOf(session))
    if (topics > 0)
      for (const topic of await topicsIn(session, id))
        if (topic.title.includes(text)) await session.api('DELETE', `api/threads/${topic.id}/`)
  session.shelf.forget('tree', 'categories/')
}
