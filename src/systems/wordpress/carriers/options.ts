import type { Carrier } from '../../step.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

/** The system's own list of all settings: just the fields that are named are written, so no other can be blanked. */
export const options: Carrier<Record<string, string>, WordPressSession> = {
  name: 'all settings',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const fields = Object.assign({}, ...loads) as Record<string, string>
    const { token } = await optionsOf(session)
    const answer = await session.visitor.post('wp-admin/options.php', {
      option_page: 'options',
      action: 'update',
      _wpnonce: token,
      page_options: Object.keys(fields).join(','),
      ...fields,
    })
    session.shelf.forget('options')
    return loads.map(() => (answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }))
  },
}
