import type { IdOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { OWN_TEXT } from '../own-text.js'
import { forgetNodes, joined, nodesOf, type Tree } from '../nodes.js'
import { gone } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** Removes items, the deepest first. A folder takes all along that is in it: it goes only when nothing else is there. */
export const removals: Carrier<{ id: IdOf }, PloneSession> = {
  name: 'what goes',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    // somebody may have put something in since it was read
    forgetNodes(session)
    const tree = await nodesOf(session)
    const paths = loads.map(({ id }) => tree.page(id)?.path)
    const depth = (path: string) => path.split('/').length
    const outcomes = new Map<string | undefined, Carried>()
    for (const path of paths.flatMap((one) => one ?? []).sort((a, b) => depth(b) - depth(a)))
      outcomes.set(path, await remove(session, tree, path))
    forgetNodes(session)
    // what is no longer there went with its folder
    return paths.map((path) => outcomes.get(path) ?? {})
  },
}

async function remove(session: PloneSession, tree: Tree, path: string): Promise<Carried> {
  const stays = tree.below(path).find((node) => node.path !== joined(path, OWN_TEXT))
  if (stays) return { refused: `it holds ${stays.path}, which stays` }
  const outcome = gone(await session.rest('DELETE', path))
  if (outcome.refused === undefined) tree.remove(path)
  return outcome
}
