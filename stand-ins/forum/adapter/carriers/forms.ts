import { type Carried, type Carrier, type IdOf, type SecretOf, formOn } from 'unpack'
import { oneForm } from '../../../common/adapter/carriers/forms.js'
import { itemForms, type ItemFields as Fields } from '../../../common/adapter/carriers/items.js'
import type { StandInSession } from '../../../common/adapter/session.js'

export const settings = oneForm('settings')
export const mailForm = oneForm('mail')
export const joining = oneForm('joining')
export const signingIn = oneForm('signing-in')
export const postingForm = oneForm('posting')
export const profilesForm = oneForm('profiles')

type Room = 'groups' | 'categories' | 'forums' | 'topics'
export type ItemFields = Fields<Room>

/** Everything that is a form an item. */
export const items = itemForms<Room>({ inList: ['topics'], stale: () => ['forums', 'topics', 'access'] })

/** In which order categories and forums stand. */
export const orderForm: Carrier<{ order: readonly IdOf[] }, StandInSession> = {
  name: 'order',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const wanted = load.order.map(String)
    const { order = '' } = await session.form('order')
    // what the baseline does not name stays where it is
    const planned = [...wanted]
    const next = order.split(' ').map((id) => (wanted.includes(id) ? (planned.shift() ?? id) : id))
    const outcome = await session.send('order', { changes: { order: next.join(' ') } })
    session.shelf.forget('forums', 'categories')
    return [outcome]
  },
}

export interface AccessFields {
  id: IdOf
  /** Who may do each action: visitors (`everyone`), members, names of groups, moderators, administrators. */
  may: Readonly<Record<string, readonly string[]>>
  /** All of them: a box each, ticked or not. */
  subjects: readonly string[]
  /** The groups among them. */
  groups: Readonly<Record<string, IdOf>>
}

/** Who may do what in one forum: every box of its form. */
export const accessForm: Carrier<AccessFields, StandInSession> = {
  name: 'access',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, may, subjects, groups } = load
    const boxes = Object.entries(may).flatMap(([action, who]) =>
      subjects.map((subject) => {
        const group = groups[subject]
        return [`${action} ${group === undefined ? subject : `group ${group}`}`, who.includes(subject) ? '1' : '']
      }),
    )
    return [await session.send(`access/${id}`, { changes: Object.fromEntries(boxes) as Record<string, string> })]
  },
}

export interface AccountFields {
  /** Left out for a new one. */
  id?: IdOf
  remove?: boolean
  username?: string
  email?: string
  password?: SecretOf
  groups?: readonly IdOf[]
  /** Groups that it is no longer to be in. */
  leaves?: readonly IdOf[]
  /** An account that waits: it is written to again, or opened. */
  wakes?: boolean
}

/** Accounts of members. A new one may have to be answered for by mail. */
export const accounts: Carrier<AccountFields, StandInSession> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { id, remove, username, email, password, groups = [], leaves = [], wakes } = load
    const waits = async (row: number) => {
      const found = (await session.rows('accounts')).find((one) => one.id === row)
      // what comes of it is read when the mail was answered
      session.shelf.forget('accounts')
      return found?.data.waits
    }
    const open = (row: number, go: string) => session.send(`accounts/${row}`, { form: go, to: `accounts/${row}/${go}` })
    if (wakes && email !== undefined) {
      const go = (await waits(Number(id))) === 'staff' ? 'open' : 'write'
      const outcome = await open(Number(id), go)
      return [outcome.refused === undefined && go === 'write' ? { mail: email } : outcome]
    }
    if (remove) return [await session.send(`accounts/${id}`, { form: 'remove', to: `accounts/${id}/remove` })]
    const boxes: Record<string, string> = {}
    for (const group of groups) boxes[`group ${group}`] = '1'
    for (const group of leaves) boxes[`group ${group}`] = ''
    const given = Object.entries({ username, email, password }).filter(([, value]) => value !== undefined)
    const changes = { ...(Object.fromEntries(given) as Record<string, string>), ...boxes }
    const outcome = await session.send(`accounts/${id ?? 'new'}`, { changes })
    if (outcome.refused !== undefined || id !== undefined) return [outcome]
    const made = Number(outcome.id)
    const why = await waits(made)
    if (why === 'mail' && email !== undefined) return [{ id: made, mail: email }]
    if (why === 'staff') await open(made, 'open')
    return [{ id: made }]
  },
}

/** Topics that are started on the public side, by whoever is at work. */
export const newTopics: Carrier<{ forum: IdOf; title: string; text: string }, StandInSession> = {
  name: 'topics',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { forum, title, text } = load
    const page = await session.visitor.get(`forum/${forum}`)
    const form = formOn(page.text, 'form#start')
    if (!form) return [{ refused: 'this forum takes no topics' }]
    const answer = await session.visitor.post(new URL(form.action, page.url).href, { ...form.fields, title, text })
    session.shelf.forget('topics')
    const id = Number(/topic\/(\d+)/.exec(answer.headers.location ?? '')?.[1])
    return [answer.status === 303 ? { id } : { refused: `HTTP ${answer.status}` }]
  },
}
