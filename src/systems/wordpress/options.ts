import { formOn } from '../../web/forms.js'
import type { WordPressSession } from './session.js'

/** All plain settings of the site, by the system's names for them. */
export const optionsOf = (session: WordPressSession) =>
  session.shelf.read('options', async () => {
    const { $ } = await session.screen('wp-admin/options.php', {
      has: 'body.options-php form#all-options input[name=_wpnonce]',
      wanted: 'the list of all settings',
    })
    const { fields = {} } = formOn($, 'form#all-options') ?? {}
    session.tokens.set('settings', fields._wpnonce ?? '')
    return { values: fields }
  })
