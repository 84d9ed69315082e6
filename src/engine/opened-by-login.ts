import type { SomeFound } from '../core/comparing/result.js'
import { foundAt } from '../core/inventory.js'
import { plannedAccounts } from '../core/accounts.js'
import { areaOf, type Inventory } from '../core/areas/index.js'
import { keyOf, type Owned } from './ownership.js'
import type { Run } from './run.js'

/**
 * Planned accounts that nothing is remembered of, and that their stored login opens: they are ours. Where what was remembered
 * was lost, this tells them from a stranger's of the same name. An account of ours that is to be let into more is tried as well:
 * one that its login opens no more is remembered in `logins.refused`.
 */
export async function openedByLogin(run: Run, inventory: Inventory): Promise<Owned[]> {
  const { baseline, options, state, site } = run
  const { publicSide } = site.system
  if (!publicSide) return []
  const unknown = plannedAccounts(baseline)
    .filter(({ password }) => password === 'made')
    .flatMap(({ area, ref, username, item }) => {
      const found = foundAt(inventory, ref) as SomeFound | undefined
      if (!found) return []
      const isKnown = state.isOurs(area, keyOf(found))
      return isKnown && !areaOf(area).opens?.(item, found.item) ? [] : [{ area, found, username, isKnown }]
    })
  const ours: Owned[] = []
  // one after the other: a site may bear only so many log-ins
  for (const { area, found, username, isKnown } of unknown) {
    const login = await options.logins.find(site.home, username)
    if (!login || run.logins.refused.has(username)) continue
    run.account.guard.add(login.password)
    const visitor = run.site.visitor()
    if (await publicSide.signIn(visitor, login)) {
      await publicSide.signOut(visitor)
      if (!isKnown) ours.push({ area, key: keyOf(found), ref: found.ref })
    } else run.logins.refused.add(username)
  }
  return ours
}
