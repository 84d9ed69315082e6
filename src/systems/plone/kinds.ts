import { events } from '../../core/areas/events.js'
import { flatPages, type WantedPage } from '../../core/areas/pages.js'
import { posts } from '../../core/areas/posts.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { OWN_TEXT, WAITING } from './own-text.js'
import { folderOf, joined, lastOf, type Node, type Tree } from './nodes.js'

/** Where what is no page stands: folders of ours that no menu shows. */
export const HOLDERS = { posts: 'news', events: 'events', media: 'files' } as const
/** What such a folder is called, until a page of the file takes its place. */
export const TITLES = { posts: 'News', events: 'Events', media: 'Files' } as const
export type Holder = keyof typeof HOLDERS
export const holders = ['posts', 'events', 'media'] as const
/** Which of them holds an entry of which sort. */
export const HOLDER_OF = { news: 'posts', event: 'events' } as const
const MAY_HOLD: Readonly<Record<Holder, readonly string[]>> = {
  posts: ['News Item'],
  events: ['Event'],
  media: ['Image', 'File', 'Folder'],
}
/** Folders that only hold news, events or uploads; where the file has a page, one of ours that shows nothing of that yet. */
export function holdersIn(tree: Tree, baseline: Baseline): ReadonlySet<string> {
  const planned = new Map(flatPages(baseline).map(({ path, page }) => [path, page]))
  const found = new Set<string>()
  for (const of of holders) {
    const node = tree.on(HOLDERS[of])
    const page = planned.get(HOLDERS[of])
    if (node?.type !== 'Folder' || (page && of !== 'media' && !isStillBare(node, of, page))) continue
    const inside = tree.below(node.path)
    if (!inside.every(({ type }) => MAY_HOLD[of].includes(type))) continue
    found.add(node.path)
    for (const { type, path } of inside) if (type === 'Folder') found.add(path)
  }
  return found
}

/** Whether a folder is one that we make, as we make it. */
export const isOurHolder = ({ raw }: Node, title: string): boolean =>
  raw.title === title && raw.exclude_from_nav === true
const isStillBare = (node: Node, of: Holder, { title, hidden }: WantedPage): boolean =>
  isOurHolder(node, TITLES[of]) && !(title === TITLES[of] && hidden === true)

/** Whether news or events of the file stand below a page of its, because they all stand there. */
export const holdsEntries = (path: string, baseline: Baseline): boolean =>
  (path === HOLDERS.posts && posts.plan(baseline).length > 0) ||
  (path === HOLDERS.events && events.plan(baseline).length > 0)

/** A page: a folder, the text that it shows, or both. It goes by its text, which stays the same when it becomes a folder. */
export interface PageNodes {
  path: string
  folder?: Node
  text?: Node
  /** Where it shows who may see it. */
  node: Node
}

const NO_PAGE = new Set(['Plone Site', 'News Item', 'Event', 'Image', 'File'])

/** All pages, in the order in which they stand. */
export function pagesIn(tree: Tree, baseline: Baseline): PageNodes[] {
  const holders = holdersIn(tree, baseline)
  const byPath = new Map(tree.all.map((node) => [node.path, node]))
  const folderFor = ({ path, type, isDefault }: Node): string | undefined => {
    if (type !== 'Document') return undefined
    const [folder, id] = [folderOf(path), lastOf(path)]
    if (id === OWN_TEXT && isDefault && folder !== '') return folder
    if (!id.endsWith(WAITING)) return undefined
    const own = id.slice(0, -WAITING.length)
    return lastOf(folder) === own && folder !== '' ? folder : joined(folder, own)
  }
  const texts = new Map(tree.all.flatMap((node) => [[folderFor(node), node] as const]))
  return tree.all.flatMap((node): PageNodes[] => {
    const folder = folderFor(node)
    if (NO_PAGE.has(node.type) || holders.has(node.path) || (folder !== undefined && byPath.has(folder))) return []
    // a link at the top is an entry of the menu
    if (node.type === 'Link' && folderOf(node.path) === '') return []
    if (folder !== undefined) return [{ path: folder, text: node, node }]
    if (node.type === 'Folder') return [{ path: node.path, folder: node, text: texts.get(node.path), node }]
    return [{ path: node.path, ...(node.type === 'Document' && { text: node }), node }]
  })
}

/** What a page goes by. */
export const idOfPage = ({ text, node }: PageNodes): string => (text ?? node).uid
