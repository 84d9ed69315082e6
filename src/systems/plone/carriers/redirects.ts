import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { ALIASES, aliasesOf } from '../aliases.js'
import { liveTree } from '../nodes.js'
import { carried } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** Old addresses that lead to items: all in one request. */
export const redirects: Carrier<{ to: IdOf; from: readonly string[] }, PloneSession> = {
  name: 'old addresses',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const [tree, known] = await Promise.all([liveTree(session), aliasesOf(session)])
    const wanted = loads.flatMap(({ to, from }) => {
      const place = `/${tree.page(to)?.path ?? ''}`
      return from.map((old) => ({ path: old, 'redirect-to': place }))
    })
    const items = wanted.filter(
      (one) => !known.some(({ from, to }) => from === one.path && `/${to}` === one['redirect-to']),
    )
    // one that leads elsewhere is not led anew before it is gone
    const old = items.filter((one) => known.some(({ from }) => from === one.path))
    if (old.length > 0) await session.rest('DELETE', ALIASES, { items: old.map(({ path }) => ({ path })) })
    const answer = items.length > 0 ? await session.rest('POST', ALIASES, { items }) : undefined
    session.shelf.forget(ALIASES)
    return loads.map(() => (answer ? carried(answer) : {}))
  },
}
