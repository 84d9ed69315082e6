import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { options } from '../carriers/options.js'
import { pageRefsOf } from '../items.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

export const frontPage: AreaOnSystem<'frontPage', WordPressSession> = {
  async read(session) {
    const [{ values }, refs] = await Promise.all([optionsOf(session), pageRefsOf(session)])
    const refIn = (value = '') => (values.show_on_front === 'page' ? (refs.get(Number(value)) ?? '') : '')
    return [{ id: 'frontPage', item: { page: refIn(values.page_on_front), posts: refIn(values.page_for_posts) } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { page, posts } = difference.wanted
      const numberOf = (ref: string) => (ref === '' ? '0' : idOf(ref))
      const fields = {
        show_on_front: page === '' ? 'posts' : 'page',
        page_on_front: numberOf(page),
        page_for_posts: numberOf(posts),
      }
      return [Step.of(options, fields, { proves: [difference] })]
    }),
  ships: () => [{ id: 'frontPage', item: { page: '', posts: '' } }],
}
