import { accessTable, groupNames, plannedPlaces } from '../../../core/access/plan.js'
import {
  actions,
  fewest,
  granted,
  isLevel,
  subjectsOf,
  whoText,
  type Action,
  type Named,
} from '../../../core/access/who.js'
import type { Baseline } from '../../../core/baseline/schema.js'
import { refOf } from '../../../core/ref.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { Abilities, AreaOnSystem } from '../../area-on-system.js'
import { eyes, takeTopicsAway } from '../eyes.js'
import { permissions } from '../carriers/permissions.js'
import { RIGHTS } from '../debts.js'
import type { MisagoSession } from '../session.js'
import { mayOf, standing, subjects } from '../standing.js'
import { treeOf } from '../tree.js'

/** What each of those whom access tells apart is to be able to do in a forum; voting is no right of its own here. */
const mayBy = (
  wanted: Partial<Record<Action, readonly Named[]>>,
  groups: readonly string[],
): Record<string, Action[]> => {
  const by = new Map(
    actions.map((action) => [action, granted(action === 'vote' ? [] : (wanted[action] ?? []), groups)]),
  )
  return Object.fromEntries(
    subjectsOf(groups).map((subject) => [subject, actions.filter((action) => by.get(action)?.has(subject))]),
  )
}

function can({ baseline }: { baseline: Baseline }): Abilities<'access'> {
  const groups = groupNames(baseline)
  const table = accessTable(baseline)
  const vote = table.every(({ access: { vote, read } }) => {
    const should = fewest(new Set([...granted(read, groups)].filter((one) => one !== 'everyone')), groups)
    return whoText(should) === whoText(vote)
  })
  const strangers = (action: Action) => table.some(({ access }) => access[action].includes('everyone'))
  const abilities: Abilities<'access'> = vote
    ? {}
    : { vote: { never: 'whoever reads a topic here and is signed in can vote in it' } }
  for (const action of actions)
    if (!['see', 'read', 'vote'].includes(action) && strangers(action))
      abilities[action] = { never: 'only members can do that on this system' }
  return abilities
}

export const access: AreaOnSystem<'access', MisagoSession> = {
  keys: ['forum', ...actions],
  can,
  async read(session, baseline) {
    const planned = plannedPlaces(baseline)
    if (planned.length === 0) return []
    const [here, tree] = await Promise.all([standing(session), treeOf(session)])
    const groups = groupNames(baseline)
    const who = subjects(here, groups)
    const names = who.map(({ name }) => name).filter((name) => !isLevel(name))
    return planned.flatMap(({ forum }) => {
      const branch = tree.find(({ ref }) => ref === forum)
      if (!branch) return []
      const may = who.map(({ name, roles }) => ({ name, may: mayOf(here, roles, branch.id) }))
      const item = Object.fromEntries(
        actions.map((action) => [
          action,
          fewest(new Set(may.flatMap((one) => (one.may.has(action) ? [one.name] : []))), names),
        ]),
      )
      return [{ id: branch.id, item: { forum, ...item } }]
    })
  },
  translate(differences, { baseline }) {
    const groups = groupNames(baseline)
    const planned = plannedPlaces(baseline)
    return differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { forum } = difference.wanted
      const closed = planned.some((one) => one.forum === forum && one.locked)
      return [
        Step.of(
          permissions,
          { category: idOf(forum), may: mayBy(difference.wanted, groups), closed },
          // memberships come first, and what they leave behind is mended by saving this
          { proves: [difference], pays: RIGHTS, after: groups.map((name) => refOf('groups', name)) },
        ),
      ]
    })
  },
  eyes,
  takeAway: takeTopicsAway,
}
