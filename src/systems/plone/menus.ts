import { z } from 'zod'
import { flatPages, pageNamed } from '../../core/areas/pages.js'
import type { Baseline } from '../../core/baseline/schema.js'
import type { PloneSession } from './session.js'

const ACTIONS = '@actions'
const actionsSchema = z.object({ portal_tabs: z.array(z.object({ id: z.string() })) })
/** The entry that menus have by themselves: the way home. */
const HOME = 'index_html'

/** Whether the menu begins with a way home of its own. */
export const homeIsShown = async (session: PloneSession): Promise<boolean> =>
  (await session.document(ACTIONS, actionsSchema, 'the entries that menus have by themselves')).portal_tabs.some(
    ({ id }) => id === HOME,
  )
export async function hideHome(session: PloneSession): Promise<boolean> {
  await session.submit('@@actions-controlpanel', { actionid: HOME, category: 'portal_tabs', hide: 'Hide' })
  session.shelf.forget(ACTIONS)
  return !(await homeIsShown(session))
}

/** Why the planned menu can't be had: it is made of the pages at the top, in their order and by their titles. */
export function whyNoSuchMenu(baseline: Baseline): string | undefined {
  const entries = baseline.menus?.main ?? []
  const top = flatPages(baseline).filter(({ path }) => !path.includes('/'))
  let last = -1
  const shown = new Set<string>()
  for (const entry of entries) {
    if ('category' in entry) return 'menus hold pages and links on this system, and no categories'
    if (!('page' in entry)) continue
    const at = pageNamed(entry.page, baseline)
    const place = top.findIndex(({ path }) => path === at?.path)
    if (!at || place < 0)
      return `only pages at the top stand in the menu of this system; “${entry.page}” stands below one`
    if (entry.label !== undefined && entry.label !== at.page.title)
      return `a page goes by its title in the menu of this system; “${entry.page}” can’t be “${entry.label}” there`
    if (at.page.hidden)
      return `“${entry.page}” is hidden from menus, and stands in one: take one of both out of the baseline`
    if (place < last)
      return `the menu has the pages’ own order on this system; “${entry.page}” stands further up under pages: put it there where it stands in the menu`
    last = place
    shown.add(at.path)
  }
  const missing = top.find(({ path, page }) => page.hidden === false && !shown.has(path))
  return missing && `“${missing.path}” is not hidden, and stands in no menu: take one of both out of the baseline`
}
