import { jsonOf } from '../../../web/answer.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'

export interface SettingsFields {
  title?: string
  description?: string
  language?: string
  timezone?: string
  email?: string
}

/** The settings that the HTTP interface knows: one request for them all. Unknown values are passed over without a word. */
export const settings: Carrier<SettingsFields, WordPressSession> = {
  name: 'settings',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const answer = await session.rest('POST', '/wp/v2/settings', '', Object.assign({}, ...loads))
    session.shelf.forget('options')
    return loads.map(() => (answer.status === 200 ? {} : { refused: refusal(answer.status, jsonOf(answer)) }))
  },
}
