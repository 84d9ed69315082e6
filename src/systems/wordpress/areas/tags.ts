import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { valuesToSend } from '../../values-to-send.js'
import { content } from '../carriers/content.js'
import { tagsOf, termSchema } from '../items.js'
import type { WordPressSession } from '../session.js'
import { titleAsHtml, titleIn } from '../titles.js'

export const tags: AreaOnSystem<'tags', WordPressSession> = {
  keys: ['name', 'slug'],
  async read(session) {
    return (await tagsOf(session)).map((term) => ({
      id: term.id,
      item: { name: titleIn(term.name), slug: term.slug },
      address: term.link,
      copy: term,
    }))
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(content, { route: 'tags', id: idOf(difference.ref), remove: true }, { proves })
      const { name, slug } = valuesToSend(difference)
      return Step.of(
        content,
        {
          route: 'tags',
          ...(difference.is === 'different' && { id: idOf(difference.found.ref) }),
          body: { ...(name !== undefined && { name: titleAsHtml(name) }), ...(slug !== undefined && { slug }) },
        },
        { proves, gives: difference.ref },
      )
    }),
  again({ ref, copy }) {
    const { name, slug, description } = termSchema.parse(copy)
    return Step.of(content, { route: 'tags', body: { name, slug, description } }, { proves: [], gives: ref })
  },
}
