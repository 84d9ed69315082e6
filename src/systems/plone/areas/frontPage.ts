import { refOf } from '../../../core/ref.js'
import { pages as core } from '../../../core/areas/pages.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { front } from '../carriers/front.js'
import { folderOf, nodesOf } from '../nodes.js'
import { rootOf } from '../panels.js'
import { isShippedWelcome } from '../shipped.js'
import type { PloneSession } from '../session.js'
import { textAsPlanned } from '../texts.js'

export const frontPage: AreaOnSystem<'frontPage', PloneSession> = {
  can({ baseline }) {
    const { frontPage } = baseline
    const page = typeof frontPage === 'object' && 'page' in frontPage ? frontPage : undefined
    const inside = page && !core.plan(baseline).some(({ item }) => item.slug === page.page && item.parent === '')
    return {
      posts: { never: 'news has a folder of its own on this system' },
      ...(frontPage === 'posts' && { page: { never: 'news has a folder of its own here, which is no front page' } }),
      ...(inside && { page: { never: 'only a page at the top can be the front page on this system' } }),
    }
  },
  async read(session, { frontPage, bodies }) {
    const [tree, root] = await Promise.all([nodesOf(session), rootOf(session)])
    const page = tree.all.find(({ isDefault, path }) => isDefault && folderOf(path) === '')
    const planned = typeof frontPage === 'object' && 'text' in frontPage ? bodies[frontPage.text] : undefined
    const body = textAsPlanned(root.text?.data ?? '', planned, '', session.visitor.home)
    const shipped = isShippedWelcome(body)
    return [
      {
        id: 'frontPage',
        item: { page: page ? refOf('pages', page.path) : '', posts: '', body },
        marks: { place: shipped, untouched: shipped, known: shipped },
        copy: { text: body },
      },
    ]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is !== 'different') return []
      const { wanted, fields } = difference
      const { page, body } = wanted
      return [
        Step.of(
          front,
          {
            ...(fields.includes('body') && body !== undefined && { body: bodyOf(body) }),
            ...(fields.includes('page') && (page === '' ? { page: '' } : { page: idOf(page) })),
          },
          { proves: [difference] },
        ),
      ]
    }),
}
