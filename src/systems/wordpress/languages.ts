import { tagOf } from './locale.js'
import type { WordPressSession } from './session.js'

const SCREEN = { has: 'body.options-general-php #blogname', wanted: 'the general settings' }

/** The languages that the site has, as its own screen offers them; where it offers none, it speaks English alone. */
export const languagesOf = (session: WordPressSession): Promise<string[]> =>
  session.shelf.read('languages', async () => {
    const { $ } = await session.screen('wp-admin/options-general.php', SCREEN)
    const locales = $('select#WPLANG option')
      .toArray()
      .map((option) => $(option).attr('value') ?? '')
    return [...new Set(['', ...locales].map(tagOf))]
  })
