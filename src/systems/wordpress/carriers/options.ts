import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

/**
 * The system's own list of all settings: one request for them all, and just the fields that are named are written, so that no
 * other can be blanked. Values that it does not take are passed over without a word.
 */
export const options: Carrier<Record<string, string | IdOf>, WordPressSession> = {
  name: 'all settings',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const fields = Object.assign({}, ...loads) as (typeof loads)[number]
    const answer = await session.send(async () => {
      // the list shows the token that writing wants
      if (!session.tokens.has('settings')) await optionsOf(session)
      return session.visitor.post('wp-admin/options.php', {
        option_page: 'options',
        action: 'update',
        _wpnonce: session.tokens.get('settings') ?? '',
        page_options: Object.keys(fields).join(','),
        ...Object.fromEntries(Object.entries(fields).map(([name, value]) => [name, String(value)])),
      })
    })
    session.shelf.forget('options')
    if ('default_category' in fields) session.shelf.forget('categories')
    return loads.map(() => (answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }))
  },
}
