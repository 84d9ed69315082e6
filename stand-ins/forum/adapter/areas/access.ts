import {
  actions,
  fewest,
  granted,
  groupNames,
  refOf,
  Step,
  subjectsOf,
  isLevel,
  type Action,
  type AreaOnSystem,
  type Named,
  idOf,
} from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { eyes, takeTopicsAway } from '../eyes.js'
import { accessForm } from '../carriers/forms.js'
import { RIGHTS } from '../debts.js'

/**
 * Who may, by the names that the plan knows, and those of somebody's own groups only where they let in whoever is not in
 * anyway: everybody in a group is a member too, and so are moderators.
 */
function whoMay(may: ReadonlySet<string>, planned: readonly string[]): Named[] {
  if (may.has('members'))
    return fewest(
      new Set(
        [...may, ...planned, 'moderators', 'administrators'].filter((one) => isLevel(one) || planned.includes(one)),
      ),
      planned,
    )
  const others = [...may].filter((one) => !isLevel(one) && !planned.includes(one))
  return fewest(may, [...planned, ...others])
}

export const access: AreaOnSystem<'access', StandInSession> = {
  keys: ['forum', ...actions],
  async read(session, baseline) {
    const [rows, forums, categories, groups] = await Promise.all([
      session.rows('access'),
      session.rows('forums'),
      session.rows('categories'),
      session.rows('groups'),
    ])
    const own = groupNames(baseline)
    const nameOf = (who: string) => groups.find(({ id }) => who === `group ${id}`)?.cells[0] ?? who
    const titleOf = (id: string | undefined) => categories.find((row) => String(row.id) === id)?.cells[0] ?? ''
    const planned = new Set(
      (baseline.forums ?? []).flatMap(({ title, forums: inner = [] }) => inner.map((one) => `${title}/${one.title}`)),
    )
    const all = rows.flatMap((row) => {
      const forum = forums.find(({ id }) => id === row.id)
      const category = titleOf(forum?.data.category)
      const path = `${category}/${row.cells[0] ?? ''}`
      if (!planned.has(path)) return []
      const may = Object.fromEntries(
        actions.map((action) => [
          action,
          new Set((row.data[action] ?? '').split(',').flatMap((one) => (one === '' ? [] : [nameOf(one)]))),
        ]),
      ) as Record<Action, Set<string>>
      return [{ id: row.id, path, category, may }]
    })
    const who = (may: ReadonlySet<string>) => whoMay(may, own)
    const seen = (category: string) =>
      who(new Set(all.filter((one) => one.category === category).flatMap(({ may }) => [...may.see])))
    return [
      // a category is seen by whoever sees one of its forums, and nobody writes in it
      ...[...new Set(all.map(({ category }) => category))].map((category) => {
        const see = seen(category)
        return {
          id: categories.find(({ cells }) => cells[0] === category)?.id ?? category,
          item: { forum: refOf('forums', category), see, read: see, start: [], reply: [] },
        }
      }),
      ...all.map(({ id, path, may }) => {
        const item = Object.fromEntries(actions.map((action) => [action, who(may[action])]))
        return { id, item: { forum: refOf('forums', path), ...item } }
      }),
    ]
  },
  translate(differences, { baseline, inventory }) {
    const groups = groupNames(baseline)
    // somebody's own groups are let in nowhere that the baseline plans
    const others = (inventory.groups ?? []).flatMap(({ item }) => (groups.includes(item.name) ? [] : [item.name]))
    return differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { wanted } = difference
      // what a category says follows from its forums
      if (!wanted.forum.replace(/^forums\//, '').includes('/')) return []
      const may = Object.fromEntries(actions.map((action) => [action, [...granted(wanted[action] ?? [], groups)]]))
      const named = [...groups, ...others]
      const load = {
        id: idOf(wanted.forum),
        may,
        subjects: [...subjectsOf(groups), ...others],
        groups: Object.fromEntries(named.map((name) => [name, idOf(refOf('groups', name))])),
      }
      return [Step.of(accessForm, load, { proves: [difference], pays: RIGHTS })]
    })
  },
  eyes,
  takeAway: takeTopicsAway,
}
