import { UnpackError } from '../../../core/errors.js'
import { formOn } from '../../../web/forms.js'
import type { Carrier } from '../../step.js'
import type { WordPressSession } from '../session.js'

/** The form of addresses, sent just as it stands: the system writes its rules anew, with those it forgot. */
export const permalinks: Carrier<object, WordPressSession> = {
  name: 'addresses',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const page = await session.screen('wp-admin/options-permalink.php')
    const form = formOn(page.text, 'form[action="options-permalink.php"]')
    if (!form?.fields._wpnonce)
      throw UnpackError.of('screen-unexpected', { url: page.url, wanted: 'the form of addresses' }, { page: page.text })
    const answer = await session.visitor.post('wp-admin/options-permalink.php', form.fields)
    session.shelf.forget('addresses')
    return loads.map(() => (answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }))
  },
}
