import type { Inventory } from '../core/areas/index.js'
import type { SomeFound } from '../core/comparing/result.js'
import { keyOf, type Owned } from './ownership.js'
import type { Run } from './run.js'

/**
 * Planned accounts that nothing is remembered of, and that their stored login opens: they are ours. Where what was remembered
 * was lost, this tells them from a stranger's of the same name.
 */
export async function openedByLogin(run: Run, inventory: Inventory): Promise<Owned[]> {
  const { baseline, options, state, site } = run
  const { home, system } = site
  const { eyes } = system
  const planned = new Set(
    (baseline.members ?? []).flatMap(({ username, password }) => (password === 'made' ? [username] : [])),
  )
  if (!eyes || planned.size === 0) return []
  const unknown = ((inventory.members ?? []) as (SomeFound & { item: { username: string } })[]).filter(
    (found) => planned.has(found.item.username) && !state.isOurs('members', keyOf(found)),
  )
  const ours: Owned[] = []
  // one after the other: a site may bear only so many log-ins
  for (const found of unknown) {
    const { username } = found.item
    const login = await options.logins.find(home, username)
    if (!login || run.logins.refused.has(username)) continue
    run.account.guard.add(login.password)
    const visitor = run.site.visitor()
    if (await eyes.signIn(visitor, login)) {
      await eyes.signOut(visitor)
      ours.push({ area: 'members', key: keyOf(found), ref: found.ref })
    } else run.logins.refused.add(username)
  }
  return ours
}
