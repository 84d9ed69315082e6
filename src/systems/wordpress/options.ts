import { UnpackError } from '../../core/errors.js'
import { formOn } from '../../web/forms.js'
import type { WordPressSession } from './session.js'

/** All plain settings of the site, by the system's names for them. */
export const optionsOf = (session: WordPressSession) =>
  session.shelf.read('options', async () => {
    const answer = await session.screen('wp-admin/options.php')
    const form = formOn(answer.text, 'form#all-options')
    if (!form?.fields._wpnonce)
      throw UnpackError.of(
        'screen-unexpected',
        { url: answer.url, wanted: 'the list of all settings' },
        { page: answer.text },
      )
    session.tokens.set('settings', form.fields._wpnonce)
    return { values: form.fields }
  })
