import { z } from 'zod'
import { OWN_TEXT } from './own-text.js'
import type { PloneSession } from './session.js'

const text = z.string().nullish()

/** An item as the HTTP interface gives it; everything in it is kept for the copy. */
export const itemSchema = z.looseObject({
  '@id': z.string(),
  '@type': z.string(),
  UID: z.string(),
  id: z.string(),
  title: text,
  description: text,
  review_state: text,
  subjects: z.array(z.string()).nullish(),
  exclude_from_nav: z.boolean().nullish(),
  created: text,
  modified: text,
  text: z.object({ data: z.string() }).nullish(),
  start: text,
  end: text,
  location: text,
  effective: text,
  remoteUrl: text,
  image: z.looseObject({ download: z.string() }).nullish(),
  file: z.looseObject({ download: z.string() }).nullish(),
})
type Item = z.output<typeof itemSchema>
const anyListSchema = z.object({ items: z.array(z.looseObject({ '@type': z.string() })), items_total: z.number() })
const placesSchema = z.object({
  items: z.array(z.object({ '@id': z.string(), created: text })),
  items_total: z.number(),
})
const commentSchema = z.looseObject({
  '@id': z.string(),
  comment_id: z.string(),
  author_name: text,
  creation_date: text,
  text: z.object({ data: z.string() }),
})
const remarks = new WeakMap<PloneSession, z.output<typeof commentSchema>[]>()
/** Remarks under items, read with the items. */
export const commentsOf = async (session: PloneSession) => {
  await nodesOf(session)
  return remarks.get(session) ?? []
}

/** An item of the site, wherever it stands. */
export interface Node {
  uid: string
  /** From the site's address on; '' for the site itself. */
  path: string
  type: string
  /** Whether its folder shows it in its own place. */
  isDefault: boolean
  raw: Item
}

const ALL = '@search?fullobjects=1'
/** With the moment at which each was made: the items themselves tell it of all but the site. */
const ORDER = '@search?sort_on=getObjPositionInParent&metadata_fields=created'
const COMMENT = 'Discussion Item'
const DEFAULTS = '@search?is_default_page=1'

/** Everything on the site, in the order in which it stands in its folders. */
export const nodesOf = (session: PloneSession): Promise<Tree> =>
  session.shelf.read('nodes', async () => {
    const [all, defaults] = await Promise.all([
      session.list(ALL, anyListSchema, 'the list of everything'),
      session.list(DEFAULTS, placesSchema, 'the list of texts of folders'),
    ])
    const items = z.array(itemSchema).parse(all.filter((one) => one['@type'] !== COMMENT))
    remarks.set(session, z.array(commentSchema).parse(all.filter((one) => one['@type'] === COMMENT)))
    const sorted = await sortedOf(session, items)
    const places = new Map(sorted.map((one, index) => [one['@id'], index]))
    const shown = new Set(defaults.map((one) => one['@id']))
    const root = items.find((one) => one['@type'] === 'Plone Site')?.['@id'] ?? ''
    const tree = new Tree(
      items
        .toSorted((a, b) => (places.get(a['@id']) ?? 0) - (places.get(b['@id']) ?? 0))
        .map((raw) => ({
          uid: raw.UID,
          path: raw['@id'].slice(root.length + 1),
          type: raw['@type'],
          isDefault: shown.has(raw['@id']),
          raw,
        })),
      root,
      sorted.find((one) => one['@id'] === root)?.created ?? undefined,
    )
    live.set(session, tree)
    return tree
  })

/** Where each item stands among the others. Comments have no place, and asked for with the others they would break the list. */
function sortedOf(session: PloneSession, items: readonly Item[]) {
  const types = [...new Set(items.map((item) => `&portal_type=${encodeURIComponent(item['@type'])}`))]
  return session.listNow(`${ORDER}${types.join('')}`, placesSchema, 'the order of everything')
}

const live = new WeakMap<PloneSession, Tree>()
/** The tree as a run knows it: it follows what is done, so that nothing is read again between two writes. */
export const liveTree = async (session: PloneSession): Promise<Tree> => live.get(session) ?? nodesOf(session)

/** What was read is stale with every item that changes: who reads next asks the site again. */
export const staleNodes = ({ shelf }: PloneSession): void => {
  shelf.forget('nodes', ALL, DEFAULTS)
}
/** The same, where somebody else may have changed something as well. */
export const forgetNodes = (session: PloneSession): void => {
  staleNodes(session)
  live.delete(session)
}

export const folderOf = (path: string): string => path.split('/').slice(0, -1).join('/')
export const lastOf = (path: string): string => path.split('/').at(-1) ?? ''
export const joined = (...parts: readonly string[]): string => parts.filter((part) => part !== '').join('/')

/** Whether a folder and all above it are published. */
export const isOpen = (tree: Tree, path: string): boolean =>
  path === '' || (tree.on(path)?.raw.review_state === 'published' && isOpen(tree, folderOf(path)))

/** All items by their number and their place. It follows what a run does, so that nothing is read again in between. */
export class Tree {
  readonly #byUid = new Map<string, Node>()
  /** Made anew when it is asked for behind a change. */
  #byPath: ReadonlyMap<string, Node> | undefined
  /**
   * @param root where the site says that it is
   * @param since when the site was made
   */
  constructor(
    nodes: readonly Node[],
    readonly root: string,
    readonly since?: string,
  ) {
    for (const node of nodes) this.#byUid.set(node.uid, node)
  }

  get all(): Node[] {
    return [...this.#byUid.values()]
  }
  at(uid: string | number): Node | undefined {
    return this.#byUid.get(String(uid))
  }
  on(path: string): Node | undefined {
    this.#byPath ??= new Map(this.all.map((node) => [node.path, node]))
    return this.#byPath.get(path)
  }
  /** The page that a number means: a text that a folder shows stands for the folder. */
  page(uid: string | number): Node | undefined {
    const node = this.at(uid)
    const folder = node && lastOf(node.path) === OWN_TEXT ? folderOf(node.path) : ''
    return (folder === '' ? undefined : this.on(folder)) ?? node
  }
  in(path: string): Node[] {
    return this.all.filter((node) => node.path !== '' && folderOf(node.path) === path)
  }
  below(path: string): Node[] {
    return this.all.filter((node) => (path === '' ? node.path !== '' : node.path.startsWith(`${path}/`)))
  }

  add(node: Node): void {
    this.#put(node)
  }
  remove(path: string): void {
    for (const node of [this.on(path), ...this.below(path)]) if (node) this.#byUid.delete(node.uid)
    this.#byPath = undefined
  }
  /** An item has another place now, with all that is in it: the last there. */
  move(from: string, to: string): void {
    for (const node of this.all)
      if (node.path === from || node.path.startsWith(`${from}/`)) {
        const path = `${to}${node.path.slice(from.length)}`
        if (folderOf(from) !== folderOf(to)) this.#byUid.delete(node.uid)
        this.#put({ ...node, path })
      }
  }
  /** The items of a folder stand in this order now. */
  arrange(path: string, ids: readonly string[]): void {
    const inside = this.in(path).sort((a, b) => ids.indexOf(lastOf(a.path)) - ids.indexOf(lastOf(b.path)))
    for (const node of inside) {
      this.#byUid.delete(node.uid)
      this.#put(node)
    }
  }

  #put(node: Node): void {
    this.#byUid.set(node.uid, node)
    this.#byPath = undefined
  }
}
