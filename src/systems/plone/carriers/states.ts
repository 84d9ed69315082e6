import type { IdOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { openHolder } from '../holders.js'
import { HOLDERS } from '../kinds.js'
import { folderOf, joined, liveTree, type Node, type Tree } from '../nodes.js'
import { OWN_TEXT } from '../own-text.js'
import { orRefused } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { turn } from '../writing.js'

const TURNS = ['publish', 'retract'] as const
type To = (typeof TURNS)[number]

/** Publishes and takes back: a folder of which all goes the same way, in one request. */
export const states: Carrier<{ id: IdOf; to: To }, PloneSession> = {
  name: 'what is published',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const tree = await liveTree(session)
    const outcomes = new Map<string, Carried>()
    for (const to of TURNS) {
      const pages = loads.flatMap((load) => (load.to === to ? (tree.page(load.id) ?? []) : []))
      if (to === 'publish') await openHolders(session, tree, pages)
      for (const [page, whole] of together(tree, pages, to)) {
        const own = whole ? undefined : tree.on(joined(page.path, OWN_TEXT))
        const outcome = await orRefused(async () => {
          for (const one of [page, own])
            if (one && !isTurned(one, to)) await turn(session, tree, one.path, { to, whole })
          return {}
        })
        outcomes.set(page.path, outcome)
      }
    }
    return loads.map(({ id }) => outcomes.get(tree.page(id)?.path ?? '') ?? {})
  },
}

/** What holds news or events is open as soon as something in it is. */
async function openHolders(session: PloneSession, tree: Tree, pages: readonly Node[]): Promise<void> {
  for (const of of ['posts', 'events'] as const)
    if (pages.some(({ path }) => folderOf(path) === HOLDERS[of])) await openHolder(session, tree, of)
}

/** Whether it already is as it should be, as after a run that was stopped: the same turn once more is refused. */
const isTurned = ({ raw }: Node, to: To): boolean => (raw.review_state === 'published') === (to === 'publish')

/** The pages to turn, each with whether all that is in it goes the same way: what goes with its folder needs no turn of its own. */
function together(tree: Tree, pages: readonly Node[], to: To): (readonly [Node, boolean])[] {
  const meant = new Set(pages.flatMap(({ path }) => [path, joined(path, OWN_TEXT)]))
  // uploads have no state of their own
  const goes = (node: Node) =>
    node.type === 'Image' || node.type === 'File' || (meant.has(node.path) && !isTurned(node, to))
  const turns: (readonly [Node, boolean])[] = []
  const gone = new Set<string>()
  for (const page of pages.toSorted((a, b) => a.path.length - b.path.length)) {
    if (gone.has(page.path)) continue
    const inside = tree.below(page.path)
    const whole = inside.length > 0 && [page, ...inside].every(goes)
    if (whole) for (const { path } of inside) gone.add(path)
    turns.push([page, whole])
  }
  return turns
}
