import type { IdOf, Resolved } from '../../later.js'
import type { Carrier } from '../../step.js'
import { idFor } from '../ids.js'
import { hideHome, homeIsShown } from '../menus.js'
import { lastOf, liveTree, staleNodes, type Node, type Tree } from '../nodes.js'
import { orRefused, Refused, taken } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { arrange, change, makeIn, turn } from '../writing.js'

export interface MenuFields {
  entries: readonly { page: IdOf | ''; link: string; label: string }[]
}
type Entry = Resolved<MenuFields>['entries'][number]

/** The menu: pages at the top that are shown, links among them, and nothing else. */
export const menus: Carrier<MenuFields, PloneSession> = {
  name: 'menus',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const tree = await liveTree(session)
    const put = async () => {
      const wanted: Node[] = []
      for (const entry of load.entries) wanted.push(await nodeFor(session, tree, entry))
      await showOnly(session, tree, new Set(wanted.map(({ uid }) => uid)))
      const ids = wanted.map(({ path }) => lastOf(path))
      await arrange(session, tree, '', ids)
      if ((await homeIsShown(session)) && !(await hideHome(session)))
        throw new Refused('the entry that leads home did not go')
      return { id: 'main' }
    }
    return [await orRefused(put)]
  },
}

/** What an entry is at the top: the page itself, or a link of its own, which is made where there is none. */
async function nodeFor(session: PloneSession, tree: Tree, { page, link, label }: Entry): Promise<Node> {
  if (page !== '') {
    const node = tree.page(page)
    if (!node) throw new Refused(`“${label}” is no longer there`)
    return node
  }
  const there = tree.in('').find(({ type, raw }) => type === 'Link' && raw.remoteUrl === link && raw.title === label)
  if (there) return published(session, tree, there)
  const fields = { '@type': 'Link', id: `${idFor(label)}-link`, title: label, remoteUrl: link }
  return published(session, tree, await makeIn(session, tree, '', fields))
}

/** A link is for everybody: one of a run that was stopped may not be yet. */
async function published(session: PloneSession, tree: Tree, link: Node): Promise<Node> {
  if (link.raw.review_state !== 'published') await turn(session, tree, link.path, { to: 'publish' })
  return link
}

/** Other links go, and other pages are left out of menus. */
async function showOnly(session: PloneSession, tree: Tree, wanted: ReadonlySet<string>): Promise<void> {
  for (const { uid, type, path, isDefault, raw } of tree.in('')) {
    const isIn = wanted.has(uid)
    if (type === 'Link' && !isIn) {
      staleNodes(session)
      taken(await session.rest('DELETE', path))
      tree.remove(path)
    } else if (!isDefault && (raw.exclude_from_nav ?? false) === isIn) {
      await change(session, path, { exclude_from_nav: !isIn })
      raw.exclude_from_nav = !isIn
    }
  }
}
