import { load } from 'cheerio'
import { formOn } from '../../web/forms.js'
import type { Eyes, LookedAt, Seen } from '../eyes.js'
import type { Visitor } from '../../web/visitor.js'
import { forgetNodes, nodesOf } from './nodes.js'
import type { PloneSession } from './session.js'

/** Pages as each finds them: whoever may not read one is sent to the log-in form, or told so. */
export const eyes: Eyes = {
  look: async (visitor, things) =>
    new Map(
      await Promise.all(
        things.map(async (thing): Promise<[string, Seen]> => [thing.ref, { read: await mayRead(visitor, thing) }]),
      ),
    ),
  async act(visitor, action, thing, text) {
    const place = thing.address ?? ''
    if (action === 'edit') return mayEdit(visitor, place)
    const form = formOn((await visitor.get(`${place}/++add++Document`, { follow: false })).text, 'form#form')
    if (!form) return undefined
    const answer = await visitor.ask(`${place}/++add++Document`, {
      method: 'POST',
      parts: { ...form.fields, 'form.widgets.IDublinCore.title': text, 'form.buttons.save': 'Save' },
    })
    const made = answer.status === 302 ? answer.headers.location : undefined
    return made?.startsWith(place) ? made : undefined
  },
}

async function mayRead(visitor: Visitor, { address = '' }: LookedAt): Promise<boolean> {
  const { status } = await visitor.get(address, { follow: false })
  return status === 200
}

/** Opens the form, which locks the page, and lets go of it again. */
async function mayEdit(visitor: Visitor, place: string): Promise<string | undefined> {
  const answer = await visitor.get(`${place}/edit`, { follow: false, purpose: 'write' })
  if (answer.status !== 200 || load(answer.text)('form#form [name="form.buttons.save"]').length === 0) return undefined
  const form = formOn(answer.text, 'form#form')
  await visitor.ask(`${place}/edit`, { method: 'POST', parts: { ...form?.fields, 'form.buttons.cancel': 'Cancel' } })
  return place
}

/** Takes away every page with this text in its title. */
export async function takePagesAway(session: PloneSession, mark: string): Promise<void> {
  forgetNodes(session)
  for (const { path, raw } of (await nodesOf(session)).all)
    if (raw.title?.includes(mark)) await session.rest('DELETE', path)
  forgetNodes(session)
}
