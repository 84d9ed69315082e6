import { jsonOf, type Answer } from '../../../web/answer.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { looksBroken } from '../front.js'
import { pluginsOf } from '../plugins.js'
import { refusal, type WordPressSession } from '../session.js'

export interface AddOnFields {
  use: string
  go: 'activate' | 'deactivate' | 'remove'
  id: IdOf
  /** Whether it works now. */
  active?: boolean
}

/** Activates, deactivates and removes add-ons. One that breaks the site when it is activated is taken back. */
export const addOnStates: Carrier<AddOnFields, WordPressSession> = {
  name: 'add-ons',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const route = `/wp/v2/plugins/${await nameOf(load, session)}`
    session.shelf.forget('plugins', 'front')
    const set = (status: 'active' | 'inactive') => session.rest('PUT', route, '', { status })
    const outcome = (answer: Answer) =>
      answer.status >= 400 ? [{ refused: refusal(answer.status, jsonOf(answer)) }] : [{}]
    if (load.go !== 'activate') {
      const rested = load.active ? await set('inactive') : undefined
      if (rested && (load.go === 'deactivate' || rested.status >= 400)) return outcome(rested)
      return outcome(await session.rest('DELETE', route))
    }
    const answer = await set('active')
    if (answer.status >= 500)
      return [{ refused: 'it breaks the site: the system itself took it back, and it is not active' }]
    const broken = answer.status >= 400 ? undefined : await looksBroken(session)
    if (broken === undefined) return outcome(answer)
    await set('inactive')
    session.shelf.forget('front')
    if ((await looksBroken(session)) === undefined)
      return [{ refused: `it breaks the site (${broken}): it was taken back, and is not active` }]
    // the site was broken before, and is broken without it
    return outcome(await set('active'))
  },
}

/** What the system knows it by; from its list where it was put there without telling. */
async function nameOf({ id, use }: { id: string | number; use: string }, session: WordPressSession): Promise<string> {
  if (String(id).includes('/')) return String(id)
  const all = await pluginsOf(session)
  return all.find(({ plugin }) => plugin.replace(/\/.*/, '') === use)?.plugin ?? String(id)
}
