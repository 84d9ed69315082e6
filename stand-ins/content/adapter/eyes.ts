import { formOn, type Eyes, type LookedAt, type Seen, type Visitor } from 'unpack'
import type { StandInSession } from '../../common/adapter/session.js'

const placeOf = (visitor: Visitor, { address = '' }: LookedAt): string => address.slice(visitor.home.length)

/** Pages as each finds them: whoever may not read one is sent to the log-in form, or told so. */
export const eyes: Eyes = {
  look: async (visitor, things) =>
    new Map(
      await Promise.all(
        things.map(async (thing): Promise<[string, Seen]> => {
          const { status } = await visitor.get(thing.address ?? '', { follow: false })
          return [thing.ref, { read: status === 200 }]
        }),
      ),
    ),
  async act(visitor, action, thing, text) {
    const place = `${action === 'write' ? 'add' : 'edit'}/${placeOf(visitor, thing)}`
    // opening the form to change a page keeps others out of it: it counts as a write
    const page = await visitor.get(place, { follow: false, purpose: action === 'edit' ? 'write' : 'read' })
    const form = formOn(page.text, action === 'write' ? 'form#add' : 'form#change')
    if (!form) return undefined
    const own: Record<string, string> = action === 'write' ? { title: text } : { cancel: '1' }
    const answer = await visitor.post(new URL(form.action, page.url).href, { ...form.fields, ...own })
    return answer.status === 303 ? answer.headers.location : undefined
  },
}

/** Takes away every page with this text in its title. */
export async function takePagesAway(session: StandInSession, mark: string): Promise<void> {
  session.shelf.forget('pages')
  for (const { id, cells } of await session.rows('pages'))
    if (cells[0]?.includes(mark)) await session.send(`pages/${id}`, { form: 'remove', to: `pages/${id}/remove` })
}
