import { jsonOf } from '../../../web/answer.js'
import type { Carrier, IdOf } from '../../step.js'
import { looksBroken } from '../front.js'
import { pluginsOf } from '../plugins.js'
import { refusal, type WordPressSession } from '../session.js'

export interface AddOnFields {
  use: string
  go: 'activate' | 'deactivate' | 'remove'
  /** Which one; known only by its folder where it was just put there. */
  id?: IdOf
}

/** Activates, deactivates and removes add-ons. One that breaks the site when it is activated is taken back. */
export const addOnStates: Carrier<AddOnFields, WordPressSession> = {
  name: 'add-ons',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const plugin = (await pluginsOf(session)).find(({ plugin: name }) => name.replace(/\/.*/, '') === load.use)
    if (!plugin) return [{ refused: 'it is not there' }]
    const route = `/wp/v2/plugins/${plugin.plugin}`
    const set = (status: 'active' | 'inactive') => session.rest('PUT', route, '', { status })
    try {
      if (load.go !== 'activate') {
        if (load.go === 'deactivate' || plugin.status !== 'inactive') {
          const answer = await set('inactive')
          if (answer.status >= 400) return [{ refused: refusal(answer.status, jsonOf(answer)) }]
        }
        const answer = load.go === 'remove' ? await session.rest('DELETE', route) : undefined
        return [answer && answer.status >= 400 ? { refused: refusal(answer.status, jsonOf(answer)) } : {}]
      }
      const before = await looksBroken(session)
      const answer = await set('active')
      if (answer.status >= 500)
        return [{ refused: 'it breaks the site: the system itself took it back, and it is not active' }]
      if (answer.status >= 400) return [{ refused: refusal(answer.status, jsonOf(answer)) }]
      session.shelf.forget('front')
      const after = before === undefined ? await looksBroken(session) : undefined
      if (after === undefined) return [{}]
      await set('inactive')
      session.shelf.forget('front')
      return [{ refused: `it breaks the site (${after}): it was taken back, and is not active` }]
    } finally {
      session.shelf.forget('plugins')
    }
  },
}
