import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { order } from '../carriers/categories.js'
import type { MisagoSession } from '../session.js'
import { treeOf } from '../tree.js'

export const forumOrder: AreaOnSystem<'forumOrder', MisagoSession> = {
  async read(session) {
    return [{ id: 'forumOrder', item: { order: (await treeOf(session)).map(({ ref }) => ref) } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? []
        : [Step.of(order, { order: difference.wanted.order.map(idOf) }, { proves: [difference] })],
    ),
}
