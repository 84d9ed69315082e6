import type { IdOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import type { Changes, MisagoSession } from '../session.js'
import { treeOf } from '../tree.js'

/** The number of what everything stands in. */
const ROOT = 2

export interface CategoryFields {
  /** Left out for a new one. */
  id?: IdOf | number
  /** '' for the top. */
  parent?: IdOf | ''
  fields: Changes
}

function stale(session: MisagoSession): void {
  session.shelf.forget('categories/', 'tree', 'page')
}

/** Categories and forums, new and changed, one after the other; new ones stand behind those that are there. */
export const categories: Carrier<CategoryFields, MisagoSession> = {
  name: 'categories',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcomes: (string | undefined)[] = []
    for (const { id, parent, fields } of loads) {
      const changes = { ...fields, ...(parent !== undefined && { new_parent: String(parent || ROOT) }) }
      const { refused } =
        id === undefined
          ? await session.send('categories/new/', changes, 'blank')
          : await session.send(`categories/edit/${String(id)}/`, changes)
      outcomes.push(refused)
    }
    stale(session)
    // a new one's number stands in the list alone, which is read once for all of them
    const tree = loads.some(({ id }) => id === undefined) ? await treeOf(session) : []
    return loads.map(({ id, parent, fields }, index): Carried => {
      const refused = outcomes[index]
      if (refused !== undefined) return { refused }
      if (id !== undefined) return {}
      const made = tree.filter((one) => one.title === fields.name && one.parent === Number(parent || 0))
      return { id: Math.max(...made.map((one) => one.id)) }
    })
  },
}

/** Removes a category with what is in it; the adapter has seen that this is nobody's. */
export const goneCategories: Carrier<{ id: IdOf }, MisagoSession> = {
  name: 'categories that go',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const place = `categories/delete/${String(load.id)}/`
    const { refused } = await session.send(place, { move_threads_to: '', move_children_to: '' }, 'anew')
    stale(session)
    return [refused === undefined ? {} : { refused }]
  },
}

/** Puts categories and forums in order: each is moved up past its neighbours, step by step. */
export const order: Carrier<{ order: readonly IdOf[] }, MisagoSession> = {
  name: 'order of categories',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const wanted = load.order.map(Number)
    const tree = await treeOf(session)
    let outcome: Carried = {}
    for (const parent of new Set(tree.map((one) => one.parent))) {
      const now = tree.filter((one) => one.parent === parent).map(({ id }) => id)
      const planned = wanted.filter((id) => now.includes(id))
      for (const [index, id] of planned.entries()) {
        const before = planned[index - 1]
        // it belongs behind the planned one before it, wherever that is
        for (let at = now.indexOf(id); at > 0 && planned.indexOf(now[at - 1] ?? 0) > index; at -= 1) {
          outcome = await session.push(`categories/move/up/${id}/`)
          if (outcome.refused !== undefined) return [outcome]
          now.splice(at - 1, 2, id, now[at - 1] ?? 0)
        }
        for (let at = now.indexOf(id); before !== undefined && at < now.indexOf(before); at += 1) {
          outcome = await session.push(`categories/move/down/${id}/`)
          if (outcome.refused !== undefined) return [outcome]
          now.splice(at, 2, now[at + 1] ?? 0, id)
        }
      }
    }
    stale(session)
    return [outcome]
  },
}
