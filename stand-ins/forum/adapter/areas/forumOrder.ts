import { refOf, Step, type AreaOnSystem, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { orderForm } from '../carriers/forms.js'

export const forumOrder: AreaOnSystem<'forumOrder', StandInSession> = {
  async read(session) {
    const [categories, forums] = await Promise.all([session.rows('categories'), session.rows('forums')])
    const order = categories.flatMap(({ id, cells }) => {
      const category = cells[0] ?? ''
      const inside = forums.filter(({ data }) => data.category === String(id))
      return [refOf('forums', category), ...inside.map((row) => refOf('forums', `${category}/${row.cells[0] ?? ''}`))]
    })
    return [{ id: 'order', item: { order } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? []
        : [Step.of(orderForm, { order: difference.wanted.order.map(idOf) }, { proves: [difference] })],
    ),
}
