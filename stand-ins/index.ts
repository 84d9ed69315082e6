/**
 * Small simulated sites on this machine, in memory, and the adapters that drive them. For trying things out, and for tests of
 * programs that use Unpack.
 * @module unpack/stand-ins
 */
import type { System } from 'unpack'
import { standInBlogSystem } from './blog/adapter/index.js'
import { standInBlog, type StandInBlog, type StandInOptions } from './blog/server/index.js'
import { standInContentSystem } from './content/adapter/index.js'
import { standInContent, type StandInContent, type StandInContentOptions } from './content/server/index.js'
import { standInForumSystem } from './forum/adapter/index.js'
import { standInForum, type StandInForum, type StandInForumOptions } from './forum/server/index.js'

import { standInShopSystem } from './shop/adapter/index.js'
import { standInShop, type StandInShop, type StandInShopOptions } from './shop/server/index.js'

export { standInShop, standInShopSystem }
export type { StandInShop, StandInShopOptions }
export { standInBlog, standInBlogSystem, standInContent, standInContentSystem, standInForum, standInForumSystem }
export type { StandInBlog, StandInContent, StandInContentOptions, StandInForum, StandInForumOptions, StandInOptions }
export type { StandInSite } from './common/server/site.js'
export { standInMail, type StandInMail } from './mail/server.js'

/** A stand-in that is up. */
export interface StartedStandIn<S> {
  /** Where it answers: `http://127.0.0.1:4101/`. */
  address: string
  /** The adapter that drives it: one of the `systems` of a call. */
  system: System
  /** The stand-in itself: what it holds, and what was asked of it. */
  site: S
  close(): Promise<void>
}

/**
 * Starts a stand-in on a port of this machine.
 * @param options what stands there; `port` is any free one where left out. A blog, a shop and a content site wait for their first-run form, a forum is set up
 * @throws Error where the port is taken
 * @example const { address, system, close } = await startStandIn('blog')
 */
export async function startStandIn(
  kind: 'blog',
  options?: Partial<StandInOptions> & { port?: number },
): Promise<StartedStandIn<StandInBlog>>
export async function startStandIn(
  kind: 'forum',
  options?: StandInForumOptions & { port?: number },
): Promise<StartedStandIn<StandInForum>>
export async function startStandIn(
  kind: 'content',
  options?: StandInContentOptions & { port?: number },
): Promise<StartedStandIn<StandInContent>>
export async function startStandIn(
  kind: 'shop',
  options?: StandInShopOptions & { port?: number },
): Promise<StartedStandIn<StandInShop>>
export async function startStandIn(
  kind: keyof typeof kinds,
  { port = 0, ...options }: { port?: number } = {},
): Promise<StartedStandIn<never>> {
  const { site, system } = kinds[kind](options)
  // which of them it is, the overloads above say
  return { address: await site.listen(port), system, site: site as never, close: () => site.close() }
}

const kinds = {
  blog: (options: object) => ({
    site: standInBlog({ standing: 'first-run', ...options }),
    system: standInBlogSystem as System,
  }),
  content: (options: object) => ({ site: standInContent(options), system: standInContentSystem as System }),
  shop: (options: object) => ({ site: standInShop(options), system: standInShopSystem as System }),
  forum: (options: object) => ({ site: standInForum(options), system: standInForumSystem as System }),
}
