import type { IdOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import type { MisagoSession } from '../session.js'
import { themesOf } from '../themes.js'

const stale = (session: MisagoSession): void => {
  session.shelf.forget('themes/', 'page')
}

/** Puts a theme there, under the name of its folder. The system has no catalogue of its own. */
export const install: Carrier<{ use: string; bytes?: Uint8Array }, MisagoSession> = {
  name: 'themes to install',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { use, bytes } = load
    if (!bytes) return [{ refused: 'this system has no catalogue of themes: name an archive with “from:”' }]
    const part = { name: `${use}.zip`, type: 'application/zip', bytes }
    const { refused } = await session.sendFile('themes/import/', { name: use }, { field: 'upload', part })
    stale(session)
    if (refused !== undefined) return [{ refused }]
    return [{ id: (await themesOf(session)).find(({ name }) => name === use)?.id }]
  },
}

/** Puts a theme to use, or away. */
export const states: Carrier<{ id: IdOf; go: 'activate' | 'delete' }, MisagoSession> = {
  name: 'themes',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const outcome = await session.push(`themes/${load.go}/${String(load.id)}/`)
    stale(session)
    return [outcome]
  },
}
