import type { IdOf, Resolved, TextOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { holderFor } from '../holders.js'
import { HOLDER_OF } from '../kinds.js'
import { folderOf, joined, lastOf, liveTree, type Node, type Tree } from '../nodes.js'
import { OWN_TEXT, WAITING } from '../own-text.js'
import { orRefused, Refused } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { richText, textToSend } from '../texts.js'
import { change, makeIn, moveTo, rename, turn } from '../writing.js'

/** A page, a piece of news or an event. */
export interface ContentFields {
  what: 'page' | 'news' | 'event'
  /** Which one; a new one where left out. */
  id?: IdOf
  /** What it stands in; for a page at the top, and for news and events in a folder of ours, left out. */
  parent?: IdOf
  slug: string
  title?: string
  summary?: string
  tags?: readonly (IdOf | string)[]
  body?: TextOf
  hidden?: boolean
  /** Whether others stand below it. */
  folder?: boolean
  /** Other fields, by the system's own names. */
  more?: Readonly<Record<string, string | boolean>>
}
type Load = Resolved<ContentFields>

const TYPES = { page: 'Document', news: 'News Item', event: 'Event' } as const
const GONE = 'it is no longer there'

/** Pages, news and events: one after the other, as the system writes no faster side by side. */
export const content: Carrier<ContentFields, PloneSession> = {
  name: 'content',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const writer = new Writer(session, await liveTree(session))
    return [await orRefused(() => writer.write(load))]
  },
}

class Writer {
  constructor(
    private readonly session: PloneSession,
    private readonly tree: Tree,
  ) {}

  async write(load: Load): Promise<Carried> {
    const { session, tree } = this
    const { home } = session.visitor
    const node = load.id === undefined ? undefined : tree.at(load.id)
    if (load.id !== undefined && !node) throw new Refused(GONE)
    const parent = await this.#parent(load)
    if (!node) {
      const made = await this.#make(load, parent)
      return { id: made.uid, address: `${home}${joined(parent, load.slug)}` }
    }
    if (load.folder && this.#pageOf(node).type !== 'Folder') await this.#becomesFolder(node)
    if (folderOf(this.#pageOf(node).path) !== parent) await moveTo(session, tree, this.#pageOf(node).path, parent)
    if (lastOf(this.#pageOf(node).path) !== load.slug) await rename(session, tree, this.#pageOf(node).path, load.slug)
    const { path } = this.#pageOf(node)
    await this.#change(this.#pageOf(node), load)
    return { id: node.uid, address: `${home}${path}` }
  }

  /** The folder that it stands in: a page that gets its first one below becomes a folder. */
  async #parent({ what, parent }: Load): Promise<string> {
    if (parent === undefined) return what === 'page' ? '' : holderFor(this.session, this.tree, HOLDER_OF[what])
    const page = this.tree.page(parent)
    if (!page) throw new Refused('what it stands under is no longer there')
    return page.type === 'Folder' ? page.path : this.#becomesFolder(page)
  }

  /** Its text waits beside it, with its old address leading there, until the folder stands that it goes into. */
  async #becomesFolder(text: Node): Promise<string> {
    const { session, tree } = this
    const own = lastOf(text.path).replace(WAITING, '')
    const path = joined(folderOf(text.path), own)
    if (text.path === path) await rename(session, tree, path, `${own}${WAITING}`)
    const { title, description, subjects, exclude_from_nav, review_state } = text.raw
    const fields = { '@type': 'Folder', id: own, title, description, subjects, exclude_from_nav }
    if (!tree.on(path)) await makeIn(session, tree, folderOf(path), fields)
    const now = () => tree.at(text.uid)?.path ?? ''
    if (folderOf(now()) !== path) await moveTo(session, tree, now(), path)
    await rename(session, tree, now(), OWN_TEXT)
    if (review_state === 'published') await turn(session, tree, path, { to: 'publish' })
    return path
  }

  async #make(load: Load, parent: string): Promise<Node> {
    const { session, tree } = this
    const { what, slug, folder, body, ...frame } = load
    const path = joined(parent, slug)
    if (!folder) return makeIn(session, tree, parent, { '@type': TYPES[what], id: slug, ...this.#fields(load, path) })
    const fields = this.#fields(frame, path)
    const there = tree.on(path)
    // a folder of ours for news or events, or what a stopped run has left
    if (there) await change(session, path, fields)
    const made = there ?? (await makeIn(session, tree, parent, { '@type': 'Folder', id: slug, ...fields }))
    return body === undefined || body === '' ? made : this.#ownText(path, { ...frame, body })
  }

  /** The text that a folder shows. */
  #ownText(path: string, load: Partial<Load>): Promise<Node> {
    const fields = this.#fields({ ...load, hidden: undefined }, path, true)
    return makeIn(this.session, this.tree, path, { '@type': 'Document', id: OWN_TEXT, ...fields })
  }

  async #change(page: Node, load: Load): Promise<void> {
    const { session, tree } = this
    const { path, raw } = page
    const say = async (where: string, fields: object) => {
      if (Object.keys(fields).length > 0) await change(session, where, fields)
    }
    if (page.type !== 'Folder') return say(path, this.#fields(load, path))
    const { body, ...frame } = load
    await say(path, this.#fields(frame, path))
    const own = tree.on(joined(path, OWN_TEXT))
    if (own) return say(own.path, this.#fields({ ...load, hidden: undefined }, path, true))
    if (body === undefined || body === '') return
    const { path: made } = await this.#ownText(path, {
      title: raw.title ?? '',
      summary: raw.description ?? '',
      ...load,
    })
    if (raw.review_state === 'published') await turn(session, tree, made, { to: 'publish' })
  }

  #pageOf(node: Node): Node {
    const now = this.tree.page(node.uid)
    if (!now) throw new Refused(GONE)
    return now
  }

  /** @param within whether it stands in the folder of that path, as the text that this shows */
  #fields({ title, summary, tags, body, hidden, more }: Partial<Load>, path: string, within = false): object {
    const depth = path.split('/').length - (within ? 0 : 1)
    return {
      ...(title !== undefined && { title }),
      ...(summary !== undefined && { description: summary }),
      ...(tags && { subjects: tags.map(String) }),
      ...(body !== undefined && { text: richText(textToSend(body, path, depth, this.session.visitor.home)) }),
      ...(hidden !== undefined && { exclude_from_nav: hidden }),
      ...more,
    }
  }
}
