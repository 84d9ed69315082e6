import { load } from 'cheerio'
import { foldSpace } from '../../../core/text/plain.js'
import { has } from '../../../web/forms.js'
import type { SecretOf } from '../../later.js'
import type { Carrier } from '../../step.js'

export interface FirstRunFields {
  weblog_title?: string
  user_name?: string
  admin_email?: string
  password?: SecretOf
  blog_public?: '0' | '1'
  language?: string
}

/** The form that makes the site; every answer is 200, and only what it shows tells success from refusal. */
export const firstRun: Carrier<FirstRunFields> = {
  name: 'first-run form',
  side: 'first-run',
  atOnce: Infinity,
  async carry(loads, { visitor }) {
    const { password = '', blog_public = '1', ...fields } = Object.assign({}, ...loads) as (typeof loads)[number]
    const answer = await visitor.post('wp-admin/install.php?step=2', {
      ...fields,
      admin_password: password,
      admin_password2: password,
      ...(blog_public === '1' ? { blog_public } : {}),
      Submit: '1',
    })
    if (has(answer.text, '.install-success')) return loads.map(() => ({}))
    const $ = load(answer.text)
    const why =
      $('form#setup').length > 0
        ? foldSpace($('p.message').first().text()) || 'the form came back'
        : `the site was set up by somebody else meanwhile (HTTP ${answer.status})`
    return loads.map(() => ({ refused: why }))
  },
}
