import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { valuesToSend } from '../../values-to-send.js'
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
      const { name, description } = valuesToSend(difference)
      const said: Record<string, string> = {
        ...(name !== undefined && { title: name }),
        ...(description !== undefined && { description }),
      }
      if (difference.is === 'different') return Step.of(carrier, { id, changes: said }, { proves })
      const { wanted } = difference
      return Step.of(
        carrier,
        { name: idFor(wanted.name), title: wanted.name, ...said },
        { proves, gives: difference.ref },
      )
    }),
}
