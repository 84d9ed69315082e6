import { formOn, pageOf, type Eyes, type Seen } from 'unpack'
import { logIn, StandInSession } from '../../common/adapter/session.js'

/** Forums as visitor, member and owner find them: the front page shows each of them what they may do where. */
export const eyes: Eyes = {
  signIns: 12,
  signIn: logIn,
  signOut: (visitor) => visitor.post('leave', {}, { purpose: 'log-in' }),
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
  async write(visitor, where, text) {
    const place = 'forum' in where ? `forum/${where.forum.id}` : `topic/${where.topic}`
    const send = async () => {
      const page = await visitor.get(place)
      const form = formOn(page.text, 'forum' in where ? 'form#start' : 'form#reply')
      return form && (await visitor.post(form.action, { ...form.fields, title: text, text }))
    }
    const answer = await send()
    if (answer?.status !== 303) return undefined
    return Number(/topic\/(\d+)/.exec(answer.headers.location ?? '')?.[1])
  },
  async remove(session, text) {
    if (!(session instanceof StandInSession)) return
    session.shelf.forget('topics')
    for (const { id, cells } of await session.rows('topics'))
      if (cells[0]?.includes(text)) await session.send('topics', { form: `remove-${id}`, to: `topics/${id}/remove` })
  },
}
