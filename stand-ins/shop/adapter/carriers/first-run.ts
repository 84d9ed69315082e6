import { foldSpace, formIn, type Carrier, type SecretOf } from 'unpack'
import { load } from 'cheerio'
import type { StandInSession } from '../../../common/adapter/session.js'

export interface FirstRunFields {
  title?: string
  language?: string
  username?: string
  email?: string
  password?: SecretOf
  country?: string
  currency?: string
  trade?: string
  posted?: '1' | ''
  downloaded?: '1' | ''
  size?: string
  /** Extras that are wanted, by their names. */
  extras?: readonly string[]
}
const fields = 'title username email password language country currency trade posted downloaded size'.split(' ')

/** The set-up: an owner, and questions. Extras are ticked there from the start: whatever is not wanted is declined. */
export const firstRun: Carrier<FirstRunFields, StandInSession> = {
  name: 'first-run form',
  side: 'first-run',
  atOnce: Infinity,
  async carry(loads, { visitor }) {
    const wanted = { form: 'form#first-run', fields, has: 'form#first-run', wanted: 'the set-up' }
    const form = formIn(await visitor.get('setup'), wanted)
    const { extras = [], password = '', ...answers } = Object.assign({}, ...loads) as (typeof loads)[number]
    const offered = Object.keys(form.fields).filter((name) => name.startsWith('extra '))
    const taken = Object.fromEntries(offered.map((name) => [name, extras.includes(name.slice(6)) ? '1' : '']))
    const answer = await visitor.post('setup', { ...form.fields, ...answers, ...taken, password })
    const $ = load(answer.text)
    const refused = $('#made').length > 0 ? undefined : foldSpace($('.trouble').text()) || `HTTP ${answer.status}`
    return loads.map(() => (refused === undefined ? {} : { refused }))
  },
}
