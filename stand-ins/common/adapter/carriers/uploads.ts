import type { Carrier } from 'unpack'
import type { StandInSession } from '../session.js'

/** Files for visitors. */
export const uploads: Carrier<{ name: string; type: string; bytes: Uint8Array }, StandInSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = await session.send('uploads/new', { file: { field: 'file', part: load } })
    if (outcome.refused !== undefined) return [outcome]
    return [{ ...outcome, address: new URL(`files/${load.name}`, session.visitor.home).pathname }]
  },
}
