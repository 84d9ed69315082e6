import { formOn, pageOf, type Eyes, type Seen } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

/** Forums as visitor, member and owner find them: the front page shows each of them what they may do where. */
export const eyes: Eyes = {
  async look(visitor, forums) {
    const answer = await visitor.get('')
    const $ = pageOf(answer, { has: 'main, #shut', wanted: 'the forums' })
    return new Map(
      forums.map(({ ref, id }): [string, Seen] => {
        const may = ($(`li.forum[data-id="${id}"]`).attr('data-may') ?? '').split(' ')
        const can = (action: string) => may.includes(action)
        return [ref, { see: can('see'), read: can('read'), start: can('start'), reply: can('reply') }]
      }),
    )
  },
  async act(visitor, action, forum, text, topic) {
    const page = await visitor.get(action === 'start' ? `forum/${forum.id}` : `topic/${topic ?? ''}`)
    const form = formOn(page.text, `form#${action}`)
    const answer =
      form && (await visitor.post(new URL(form.action, page.url).href, { ...form.fields, title: text, text }))
    if (answer?.status !== 303) return undefined
    return Number(/topic\/(\d+)/.exec(answer.headers.location ?? '')?.[1])
  },
}

/** Takes away every topic with this text in its title. */
export async function takeTopicsAway(session: StandInSession, text: string): Promise<void> {
  session.shelf.forget('topics')
  for (const { id, cells } of await session.rows('topics'))
    if (cells[0]?.includes(text)) await session.send('topics', { form: `remove-${id}`, to: `topics/${id}/remove` })
}
