import { HOLDERS, isOurHolder, TITLES, type Holder } from './kinds.js'
import { joined, type Node, type Tree } from './nodes.js'
import { Refused, taken } from './refusal.js'
import { MEMBERS, ROLES, sharingOf, sharingPlace } from './sharing.js'
import type { PloneSession } from './session.js'
import { makeIn, turn } from './writing.js'

/** A folder at a place, made where it is missing; one that is to be open is published, also where a run had stopped before that. */
async function folder(
  session: PloneSession,
  tree: Tree,
  { parent, id, title, open }: { parent: string; id: string; title: string; open: boolean },
): Promise<string> {
  const path = joined(parent, id)
  const there = tree.on(path)
  if (there && there.type !== 'Folder')
    throw new Refused(`“${path}” is somebody’s page, and nothing can stand below it`)
  const fields = { '@type': 'Folder', id, title, exclude_from_nav: true }
  const node = there ?? (await makeIn(session, tree, parent, fields))
  if (!open || isPublished(node)) return path
  if (there && !mayOpen(tree, there, title))
    throw new Refused(`“${path}” is closed, and all that is in it would be open with it: open it by hand`)
  await turn(session, tree, path, { to: 'publish' })
  return path
}

const isPublished = ({ raw }: Node): boolean => raw.review_state === 'published'
/** Whoever closed a folder of their own meant that, or one with uploads in it: they have no state of their own. */
const mayOpen = (tree: Tree, node: Node, title: string): boolean =>
  isOurHolder(node, title) && !tree.below(node.path).some(({ type }) => type === 'Image' || type === 'File')

/** The folder of ours for what is no page; made where it is missing, out of all menus. */
export const holderFor = (session: PloneSession, tree: Tree, of: Holder): Promise<string> =>
  folder(session, tree, { parent: '', id: HOLDERS[of], title: TITLES[of], open: true })

/** Opens such a folder of ours, where it stands closed. */
export async function openHolder(session: PloneSession, tree: Tree, of: Holder): Promise<void> {
  const node = tree.on(HOLDERS[of])
  if (node && !isPublished(node) && mayOpen(tree, node, TITLES[of]))
    await turn(session, tree, node.path, { to: 'publish' })
}

/** The folder for uploads that these may see: the folder's readers are theirs, as uploads have no state of their own. */
export async function uploadsFor(
  session: PloneSession,
  tree: Tree,
  who: readonly { name: string; id: string }[],
): Promise<string> {
  const parent = await holderFor(session, tree, 'media')
  const name = audience(who.map((one) => one.name))
  const open = name === 'everyone'
  const path = await folder(session, tree, { parent, id: name, title: name, open })
  if (open) return path
  const ids = who.map((one) => (one.name === 'members' ? MEMBERS : one.id))
  const now = await sharingOf(session, path)
  const lets = (id: string) => now.entries.some((entry) => entry.id === id && entry.roles[ROLES.read] === true)
  if (!now.inherit && ids.every(lets)) return path
  const entries = ids.map((id) => ({ id, type: 'group', roles: { [ROLES.read]: true } }))
  session.shelf.forget(sharingPlace(path))
  taken(await session.rest('POST', sharingPlace(path), { inherit: false, entries }))
  return path
}

/** What the folder for such readers is called. */
const audience = (names: readonly string[]): string => {
  if (names.length === 0) return 'nobody'
  if (names.includes('everyone')) return 'everyone'
  const plain = (name: string) => encodeURIComponent(name.toLowerCase().replaceAll(' ', '-')).replaceAll('%', '')
  return names.map(plain).sort().join('.')
}
