import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { liveTree } from '../nodes.js'
import { orRefused } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { arrange } from '../writing.js'

/** The items of one folder in order. */
export const ordering: Carrier<{ parent?: IdOf; slugs: readonly string[] }, PloneSession> = {
  name: 'order',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const tree = await liveTree(session)
    const path = load.parent === undefined ? '' : (tree.page(load.parent)?.path ?? '')
    const put = async () => {
      await arrange(session, tree, path, load.slugs)
      return {}
    }
    return [await orRefused(put)]
  },
}
