import type { Carrier } from '../../step.js'
import { addressesOf } from '../items.js'
import type { WordPressSession } from '../session.js'
import { formIn } from '../../../web/reading.js'

export interface AddressFields {
  /** How posts' addresses are made, in the system's own signs; as it is where left out. */
  structure?: string
}

const PLACE = 'wp-admin/options-permalink.php'

/**
 * The form of addresses. The system writes its rules anew whenever its screen is opened, with those it forgot: behind the
 * form too, where what was sent counts only then. Where the server does not pass the new addresses on, what stood there
 * before is put back.
 */
export const permalinks: Carrier<AddressFields, WordPressSession> = {
  name: 'addresses',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const { structure } = Object.assign({}, ...loads) as AddressFields
    const all = (refused?: string) => loads.map(() => (refused === undefined ? {} : { refused }))
    try {
      const form = await opened(session)
      if (structure === undefined) {
        session.shelf.forget('addresses')
        return all()
      }
      const before = form.permalink_structure ?? ''
      const status = await sent(session, form, structure)
      if (status !== 200) return all(`HTTP ${status}`)
      if ((await addressesOf(session)) === 'open') return all()
      await sent(session, await opened(session), before)
      return all('this server does not pass such addresses on to the system; ask the host, or write “/?p={id}”')
    } finally {
      // every item has another address now, and settings show how they are made
      session.shelf.forget('options', 'posts', 'pages', 'categories', 'tags')
    }
  },
}

async function opened(session: WordPressSession): Promise<Readonly<Record<string, string>>> {
  const selector = 'form[action="options-permalink.php"]'
  const wanted = 'the form of addresses'
  const { answer } = await session.screen(PLACE, { has: `${selector} input[name=_wpnonce]`, wanted }, 'write')
  const fields = ['permalink_structure', 'category_base', 'tag_base']
  return formIn(answer, { has: selector, wanted, form: selector, fields }).fields
}

/** Sends the form and opens the screen behind it; gives the status of that. */
async function sent(
  session: WordPressSession,
  form: Readonly<Record<string, string>>,
  structure: string,
): Promise<number> {
  const changes = { selection: structure === '' ? '' : 'custom', permalink_structure: structure }
  const answer = await session.visitor.post(PLACE, { ...form, ...changes }, { follow: true })
  session.shelf.forget('addresses')
  return answer.hops.length > 0 ? answer.status : 422
}
