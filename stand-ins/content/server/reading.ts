import type { Account, ContentSite, Page, Right, Upload, Who } from './model.js'

/** Who somebody is: each of these may let them in. */
const isOne = (account: Account): Set<Who> =>
  new Set<Who>(['members', ...account.groups.map((id): Who => `group ${id}`)])

/** Whom a page is shared with: what it says itself, and what it takes over from above. */
function sharedWith(site: ContentSite, page: Page, right: Right): Who[] {
  const above = page.inherit ? site.pages.find(({ id }) => id === page.parent) : undefined
  return [...page.shared[right], ...(above ? sharedWith(site, above, right) : [])]
}

/** Whether somebody may do that with a page; whoever may work on it may read it. */
export function may(site: ContentSite, account: Account | undefined, right: Right, page: Page): boolean {
  if (account?.role === 'manager') return true
  if (right === 'read' && page.state === 'published') return true
  if (!account) return false
  const one = isOne(account)
  const needed: readonly Right[] = right === 'read' ? ['read', 'write', 'edit'] : [right]
  return needed.some((some) => sharedWith(site, page, some).some((who) => one.has(who)))
}

/** Whether somebody may see an upload. */
export function maySee(account: Account | undefined, { read }: Upload): boolean {
  if (read.length === 0 || account?.role === 'manager') return true
  return account !== undefined && read.some((who) => isOne(account).has(who))
}
