import { foldSpace, type Carrier, type SecretOf } from 'unpack'
import { load } from 'cheerio'

export interface FirstRunFields {
  title?: string
  language?: string
  hidden?: '1' | ''
  username?: string
  email?: string
  password?: SecretOf
}

/** The form that makes the blog. */
export const firstRun: Carrier<FirstRunFields> = {
  name: 'first-run form',
  side: 'first-run',
  atOnce: Infinity,
  async carry(loads, { visitor }) {
    const fields = Object.assign({}, ...loads) as (typeof loads)[number]
    const answer = await visitor.post('setup', { ...fields, password: fields.password ?? '' })
    const $ = load(answer.text)
    const refused = $('#made').length > 0 ? undefined : foldSpace($('.trouble').text()) || `HTTP ${answer.status}`
    return loads.map(() => (refused === undefined ? {} : { refused }))
  },
}
