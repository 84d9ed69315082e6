import { UnpackError } from '../../../core/errors.js'
import { formOn } from '../../../web/forms.js'
import type { Carrier } from '../../step.js'
import { addressesOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export interface AddressFields {
  /** How posts' addresses are made, in the system's own signs; as it is where left out. */
  structure?: string
}

/**
 * The form of addresses. Even sent just as it stands, the system writes its rules anew, with those it forgot. Where the server
 * does not pass the new addresses on, what stood there before is put back.
 */
export const permalinks: Carrier<AddressFields, WordPressSession> = {
  name: 'addresses',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const { structure } = Object.assign({}, ...loads) as AddressFields
    const send = async (changes: Readonly<Record<string, string>>) => {
      const page = await session.screen('wp-admin/options-permalink.php')
      const form = formOn(page.text, 'form[action="options-permalink.php"]')
      if (!form?.fields._wpnonce)
        throw UnpackError.of(
          'screen-unexpected',
          { url: page.url, wanted: 'the form of addresses' },
          { page: page.text },
        )
      const answer = await session.visitor.post('wp-admin/options-permalink.php', { ...form.fields, ...changes })
      // every item has another address now, and settings show how they are made
      session.shelf.forget('addresses', 'options', 'posts', 'pages', 'categories', 'tags')
      return { before: form.fields.permalink_structure ?? '', status: answer.status }
    }
    const change: Record<string, string> =
      structure === undefined ? {} : { selection: 'custom', permalink_structure: structure }
    const { before, status } = await send(change)
    if (status !== 302) return loads.map(() => ({ refused: `HTTP ${status}` }))
    if (structure === undefined || (await addressesOf(session)) === 'open') return loads.map(() => ({}))
    await send({ selection: before === '' ? '' : 'custom', permalink_structure: before })
    return loads.map(() => ({
      refused: 'this server does not pass such addresses on to the system; ask the host, or write “/?p={id}”',
    }))
  },
}
