import { rolesOf, givenTo } from './roles.js'
import type { MisagoSession } from './session.js'

/** The category that every forum is set up with, by what it is called in the language of the set-up. */
export const SHIPPED = {
  id: 3,
  titles: [
    'First category',
    'Domyślna kategoria',
    'Első kategória',
    'Erste Kategorie',
    'Première catégorie',
    'Primeira categoria',
    '第一个分类',
  ],
}

/** Every setting of it, and the set of rights that each role has in it, by their numbers. */
const settings: Readonly<Record<string, string>> = {
  short_name: '',
  color: '',
  description: '',
  css_class: '',
  is_closed: '0',
  require_threads_approval: '0',
  require_replies_approval: '0',
  require_edits_approval: '0',
  prune_started_after: '0',
  prune_replied_after: '0',
  archive_pruned_in: '',
}
const rights: ReadonlyMap<number, number> = new Map([
  [1, 4],
  [2, 2],
  [3, 5],
])

/** Whether nobody has changed a setting of the shipped category, or who may do what in it. */
export async function isAsShipped(session: MisagoSession): Promise<boolean> {
  const { fields } = await session.form(`categories/edit/${SHIPPED.id}/`)
  if (Object.entries(settings).some(([name, value]) => (fields[name] ?? '') !== value)) return false
  const roles = await rolesOf(session)
  const given = await Promise.all(roles.map(async ({ id }) => [id, await givenTo(session, id)] as const))
  return given.every(([role, sets]) => sets.get(SHIPPED.id) === rights.get(role))
}
