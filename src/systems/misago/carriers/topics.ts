import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import type { MisagoSession } from '../session.js'

/** Removes topics, one after another. */
export const goneTopics: Carrier<{ id: IdOf }, MisagoSession> = {
  name: 'topics that go',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { status } = await session.api('DELETE', `api/threads/${String(load.id)}/`)
    session.shelf.forget('tree', 'categories/')
    return [status < 300 ? {} : { refused: `HTTP ${status}` }]
  },
}
