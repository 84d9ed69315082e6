import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { options } from '../carriers/options.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

export const address: AreaOnSystem<'address', WordPressSession> = {
  async read(session) {
    const { values } = await optionsOf(session)
    return [{ id: 'address', item: { address: `${(values.home ?? '').replace(/\/$/, '')}/` } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const to = difference.wanted.address.replace(/\/$/, '')
      return [Step.of(options, { siteurl: to, home: to }, { proves: [difference] })]
    }),
  ships: ({ site }) => [{ id: 'address', item: { address: site.reachedAt ?? site.address } }],
}
