import type { Carried, Carrier, IdOf } from 'unpack'
import type { StandInSession } from '../session.js'

export interface PackageFields {
  room: 'themes' | 'add-ons'
  use: string
  /** The archive; from the catalogue where left out. */
  bytes?: Uint8Array
}

/** Puts a theme or an add-on there, or over an older one. */
export const install: Carrier<PackageFields, StandInSession> = {
  name: 'themes and add-ons to install',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { room, use, bytes } = load
    if (!bytes)
      return [await session.send(`${room}/new`, { form: 'catalogue', to: `${room}/catalogue`, changes: { name: use } })]
    const part = { name: `${use}.zip`, type: 'application/zip', bytes }
    return [await session.send(`${room}/new`, { file: { field: 'archive', part } })]
  },
}

export interface StateFields {
  room: 'themes' | 'add-ons'
  id: IdOf
  go: 'activate' | 'deactivate' | 'remove' | 'update'
  /** For `update`: whether it updates itself. */
  automatic?: boolean
}

/** Puts to use, out of use, away. An add-on that breaks the site when it is activated is taken back. */
export const states: Carrier<StateFields, StandInSession> = {
  name: 'themes and add-ons',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { room, id, go, automatic } = load
    session.shelf.forget('menus', 'sidebars')
    const push = (button: string): Promise<Carried> =>
      session.send(`${room}/${id}`, { form: button, to: `${room}/${id}/${button}` })
    if (go === 'update') return [await session.send(`${room}/${id}`, { changes: { automatic: automatic ? '1' : '' } })]
    const outcome = await push(go)
    if (go !== 'activate' || outcome.refused !== undefined) return [outcome]
    const status = await frontFails(session)
    if (status === undefined) return [outcome]
    await push('deactivate')
    return [{ refused: `it breaks the site (HTTP ${status}): it was taken back, and is not active` }]
  },
}

/** How the front page fails, looked at twice: what is taken back for it must not have been a moment's trouble. */
async function frontFails({ visitor }: StandInSession): Promise<number | undefined> {
  const look = async () => (await visitor.get('')).status
  return (await look()) < 500 || (await look()) < 500 ? undefined : 500
}

/** Takes the newer versions that wait; the site is looked at afterwards. */
export const newVersions: Carrier<object, StandInSession> = {
  name: 'newer versions',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcome = await session.send('updates', { form: 'take', to: 'updates/take' })
    session.shelf.forget('themes', 'add-ons')
    const status = await frontFails(session)
    const broken =
      status !== undefined ? { refused: `taken, and since then the front page answers HTTP ${status}` } : outcome
    return loads.map(() => broken)
  },
}
