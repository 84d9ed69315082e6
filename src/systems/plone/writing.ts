import { z } from 'zod'
import { jsonOf } from '../../web/answer.js'
import { joined, folderOf, lastOf, staleNodes, type Node, type Tree } from './nodes.js'
import { OWN_TEXT } from './own-text.js'
import { movesFor } from './order.js'
import { Refused, refusal, taken } from './refusal.js'
import type { PloneSession } from './session.js'

const madeSchema = z.looseObject({ '@id': z.string(), '@type': z.string(), UID: z.string(), id: z.string() })

/* Writes to the tree of items. Each says what is stale, and lets the tree of the run follow; what is not taken is thrown. */

/** Makes an item in a folder. */
export async function makeIn(session: PloneSession, tree: Tree, parent: string, fields: object): Promise<Node> {
  const answer = taken(await session.rest('POST', parent, fields))
  staleNodes(session)
  const made = madeSchema.safeParse(jsonOf(answer)).data
  if (!made) throw new Refused(refusal(answer))
  const node: Node = {
    uid: made.UID,
    path: joined(parent, made.id),
    type: made['@type'],
    isDefault: made.id === OWN_TEXT,
    raw: made,
  }
  tree.add(node)
  return node
}

/** Changes what an item says. The site itself wants its language said along. */
export async function change(session: PloneSession, path: string, fields: object): Promise<void> {
  staleNodes(session)
  taken(await session.rest('PATCH', path, { ...fields, ...(path === '' && (await session.language())) }))
}

export async function rename(session: PloneSession, tree: Tree, path: string, id: string): Promise<void> {
  await change(session, path, { id })
  tree.move(path, joined(folderOf(path), id))
}

export async function moveTo(session: PloneSession, tree: Tree, path: string, folder: string): Promise<void> {
  staleNodes(session)
  taken(await session.rest('POST', joined(folder, '@move'), { source: `${session.visitor.home}${path}` }))
  tree.move(path, joined(folder, lastOf(path)))
}

/** Publishes an item, or takes it back. @param whole with all that is in it */
export async function turn(
  session: PloneSession,
  tree: Tree,
  path: string,
  { to, whole = false }: { to: 'publish' | 'retract'; whole?: boolean },
): Promise<void> {
  staleNodes(session)
  taken(await session.rest('POST', joined(path, `@workflow/${to}`), whole ? { include_children: true } : {}))
  for (const node of [tree.on(path), ...(whole ? tree.below(path) : [])])
    if (node) node.raw.review_state = to === 'publish' ? 'published' : 'private'
}

/** Puts items of a folder in order; those that are not named stay where they are among them. */
export async function arrange(session: PloneSession, tree: Tree, path: string, ids: readonly string[]): Promise<void> {
  const standing = tree.in(path).map((one) => lastOf(one.path))
  for (const { id, by, after } of movesFor(standing, ids)) {
    await change(session, path, { ordering: { obj_id: id, delta: by } })
    tree.arrange(path, after)
  }
}
