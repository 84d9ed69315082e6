import { foldSpace, formIn, type Carrier } from 'unpack'
import { load } from 'cheerio'
import type { StandInSession } from '../../../common/adapter/session.js'

export interface FirstRunFields {
  title?: string
  description?: string
  language?: string
  timezone?: string
  examples?: '1' | ''
}
const fields = ['title', 'description', 'language', 'timezone', 'examples']

/** The form that makes the site. */
export const firstRun: Carrier<FirstRunFields, StandInSession> = {
  name: 'first-run form',
  side: 'first-run',
  atOnce: Infinity,
  async carry(loads, { visitor }) {
    const wanted = { form: 'form#first-run', fields, has: 'form#first-run', wanted: 'the first-run form' }
    const form = formIn(await visitor.get('setup'), wanted)
    const answer = await visitor.post('setup', { ...form.fields, ...(Object.assign({}, ...loads) as FirstRunFields) })
    const $ = load(answer.text)
    const refused = $('#made').length > 0 ? undefined : foldSpace($('.trouble').text()) || `HTTP ${answer.status}`
    return loads.map(() => (refused === undefined ? {} : { refused }))
  },
}
