import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { groups as carrier } from '../carriers/groups.js'
import { groupsOf } from '../groups.js'
import { idFor } from '../ids.js'
import type { PloneSession } from '../session.js'

export const groups: AreaOnSystem<'groups', PloneSession> = {
  keys: ['name', 'description'],
  async read(session) {
    return (await groupsOf(session)).map(({ id, title, description }) => {
      const item = { name: title, description }
      return { id, item, copy: item }
    })
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const id = idOf(difference.ref)
      if (difference.is === 'left over') return Step.of(carrier, { id, remove: true }, { proves })
      const { name, description } = difference.wanted
      const said: Record<string, string> = description === undefined ? {} : { description }
      return difference.is === 'missing'
        ? Step.of(carrier, { name: idFor(name), title: name, ...said }, { proves, gives: difference.ref })
        : Step.of(carrier, { id, changes: { title: name, ...said } }, { proves })
    }),
}
