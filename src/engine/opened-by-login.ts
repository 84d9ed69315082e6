import type { SomeFound } from '../core/comparing/result.js'
import { foundAt } from '../core/inventory.js'
import { plannedAccounts } from '../core/accounts.js'
import type { Inventory } from '../core/areas/index.js'
import { keyOf, type Owned } from './ownership.js'
import type { Run } from './run.js'

/**
 * Planned accounts that nothing is remembered of, and that their stored login opens: they are ours. Where what was remembered
 * was lost, this tells them from a stranger's of the same name.
 */
export async function openedByLogin(run: Run, inventory: Inventory): Promise<Owned[]> {
  const { baseline, options, state, site } = run
  const { publicSide } = site.system
  if (!publicSide) return []
  const unknown = plannedAccounts(baseline)
    .filter(({ password }) => password === 'made')
    .flatMap(({ area, ref, username }) => {
      const found = foundAt(inventory, ref) as SomeFound | undefined
      return found && !state.isOurs(area, keyOf(found)) ? [{ area, found, username }] : []
    })
  const ours: Owned[] = []
  // one after the other: a site may bear only so many log-ins
  for (const { area, found, username } of unknown) {
    const login = await options.logins.find(site.home, username)
    if (!login || run.logins.refused.has(username)) continue
    run.account.guard.add(login.password)
    const visitor = run.site.visitor()
    if (await publicSide.signIn(visitor, login)) {
      await publicSide.signOut(visitor)
      ours.push({ area, key: keyOf(found), ref: found.ref })
    } else run.logins.refused.add(username)
  }
  return ours
}
