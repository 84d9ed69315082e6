import type { Carried, Carrier, IdOf, SecretOf, TextOf } from 'unpack'
import { oneForm } from '../../../common/adapter/carriers/forms.js'
import { itemForms, type ItemFields as Fields } from '../../../common/adapter/carriers/items.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { boxesFor } from '../who.js'

export const settings = oneForm('settings')
export const front = oneForm('front')
export const mailForm = oneForm('mail')
export const visitors = oneForm('visitors')

export type Sort = 'pages' | 'news' | 'events'
type Room = Sort | 'groups' | 'uploads' | 'comments'
export type ItemFields = Fields<Room>

/** Everything that is a form an item; lists are a line each. */
export const items = itemForms<Room>({ inList: ['comments'], joint: '\n' })

/** Publishes and takes back; what a stopped run has turned already is left. */
export const states: Carrier<{ room: Sort; id: IdOf; to: 'publish' | 'retract' }, StandInSession> = {
  name: 'what is published',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { room, id, to } = load
    const row = (await session.rows(room)).find((one) => String(one.id) === String(id))
    if ((row?.data.state === 'published') === (to === 'publish')) return [{}]
    return [await session.send(`${room}/${id}`, { form: to, to: `${room}/${id}/${to}` })]
  },
}

/** Who may see a page that is private, and work on it: every box of its form. */
export const sharing: Carrier<
  Record<'read' | 'write' | 'edit', readonly (IdOf | string)[]> & { id: IdOf },
  StandInSession
> = {
  name: 'sharing',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const groups = await session.rows('groups')
    const boxes = (['read', 'write', 'edit'] as const).flatMap((right) => boxesFor(right, load[right], groups))
    const outcome = await session.send(`sharing/${load.id}`, { changes: Object.fromEntries(boxes) })
    session.shelf.forget('pages')
    return [outcome]
  },
}

export interface UploadFields {
  /** Which one; a new one where left out. */
  id?: IdOf
  name: string
  type: string
  bytes: Uint8Array
  /** Who may see it; everybody where nobody is named. */
  read: readonly (IdOf | string)[]
}

/** Files: closed from the first moment on where they are not for everybody. */
export const uploads: Carrier<UploadFields, StandInSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, read, ...part } = load
    const changes = Object.fromEntries(boxesFor('read', read, await session.rows('groups')))
    const file = id === undefined ? { file: { field: 'file', part } } : {}
    const outcome = await session.send(`uploads/${id ?? 'new'}`, { changes, ...file })
    if (outcome.refused !== undefined) return [outcome]
    const address = new URL(`files/${part.name}`, session.visitor.home).pathname
    return [{ ...outcome, ...(id !== undefined && { id }), address }]
  },
}

/** The menu: one entry a line. */
export const menu: Carrier<{ lines: readonly (readonly (string | IdOf)[])[] }, StandInSession> = {
  name: 'menu',
  side: 'dashboard',
  atOnce: 1,
  carry: async ([load], session) =>
    load
      ? [await session.send('menu', { changes: { lines: load.lines.map((words) => words.join(' ')).join('\n') } })]
      : [],
}

/** A column: one part a line, and its texts. */
export const columns: Carrier<{ place: string; lines: readonly string[]; texts: readonly TextOf[] }, StandInSession> = {
  name: 'columns',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { place, lines, texts } = load
    const own = ['text1', 'text2', 'text3'].map((name, index) => [name, texts[index] ?? ''])
    const changes = { lines: lines.join('\n'), ...(Object.fromEntries(own) as Record<string, string>) }
    return [await session.send(`columns/${place}`, { changes })]
  },
}

export interface AccountFields {
  /** Which one; a new one where left out. */
  id?: IdOf
  remove?: boolean
  fields?: Readonly<Record<string, string | SecretOf>>
  /** Groups that it is to be in, beside those in which it is. */
  joins?: readonly IdOf[]
  /** Groups that it is no longer to be in. */
  leaves?: readonly IdOf[]
}

/** Accounts of members. */
export const accounts: Carrier<AccountFields, StandInSession> = {
  name: 'accounts',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { id, remove, fields = {}, joins = [], leaves = [] } = load
    if (remove) return [await session.send(`accounts/${id}`, { form: 'remove', to: `accounts/${id}/remove` })]
    const boxes: Record<string, string> = {}
    for (const group of joins) boxes[`group ${group}`] = '1'
    for (const group of leaves) boxes[`group ${group}`] = ''
    const outcome = await session.send(`accounts/${id ?? 'new'}`, { changes: { ...fields, ...boxes } })
    return [outcome.refused === undefined && id !== undefined ? { ...outcome, id } : outcome]
  },
}

/** Tags need no making: what bears them brings them along. */
export const tags: Carrier<{ name: string }, StandInSession> = {
  name: 'tags',
  side: 'dashboard',
  atOnce: Infinity,
  carry: (loads) => Promise.resolve(loads.map(({ name }) => ({ id: name }))),
}
