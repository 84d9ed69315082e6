import { parseAddress } from '../../../core/address.js'
import { NoAnswer } from '../../../web/failure.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { rootOf } from '../panels.js'
import type { PloneSession } from '../session.js'

/** The system has no address of its own: a server in front leads visitors to it, and the site stays where it is reached. */
export const address: AreaOnSystem<'address', PloneSession> = {
  can: { address: { byHand: 'ask the host: the server in front has to lead that address to this site' } },
  async read(session, { site }) {
    if (site.reachedAt === undefined) return []
    return [
      { id: 'address', item: { address: (await leadsHere(session, site.address)) ? site.address : site.reachedAt } },
    ]
  },
  ships: ({ site }) => [{ id: 'address', item: { address: site.reachedAt ?? site.address } }],
}

/** Whether a stranger finds this very site there: no other knows the number of its top. */
async function leadsHere(session: PloneSession, there: string): Promise<boolean> {
  const to = parseAddress(there)
  if (!to) return false
  const { UID } = await rootOf(session)
  try {
    const { status, headers } = await session.visitor.at(to).get(`resolveuid/${UID}`, { follow: false })
    return status >= 300 && status < 400 && bare(headers.location ?? '') === bare(there)
  } catch (error) {
    if (error instanceof NoAnswer) return false
    throw error
  }
}
const bare = (address: string): string => address.replace(/\/$/, '')
