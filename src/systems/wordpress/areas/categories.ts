import type { Marks } from '../../../core/area.js'
import { decoded } from '../../../core/text/plain.js'
import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { content } from '../carriers/content.js'
import { categoriesOf, type Term } from '../items.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'
import { shippedWords } from '../shipped-texts.js'

const FIRST = 1
const ships = ({ name, slug }: Term): boolean =>
  shippedWords.some(({ category }) => category.slug === slug && category.name === decoded(name))

export const categories: AreaOnSystem<'categories', WordPressSession> = {
  async read(session) {
    const [terms, { values }] = await Promise.all([categoriesOf(session), optionsOf(session)])
    const slugs = new Map(terms.map(({ id, slug }) => [id, slug]))
    return terms.map((term) => {
      const marks: Marks = {
        place: term.id === FIRST,
        untouched: ships(term) && term.description === '',
        known: ships(term),
        needed: String(term.id) === values.default_category,
      }
      const above = slugs.get(term.parent)
      return {
        id: term.id,
        item: {
          name: decoded(term.name),
          slug: decodeURIComponent(term.slug),
          description: decoded(term.description),
          parent: above === undefined ? '' : refOf('categories', decodeURIComponent(above)),
        },
        marks,
        address: term.link,
        copy: term,
      }
    })
  },
  translate(differences) {
    return differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(content, { route: 'categories', id: { idOf: difference.ref }, remove: true }, { proves })
      const { name, slug, description, parent } = difference.wanted
      const body = {
        name,
        slug,
        ...(description !== undefined && { description }),
        ...(parent === '' ? { parent: 0 } : { parent: { idOf: parent } }),
      }
      return difference.is === 'missing'
        ? Step.of(content, { route: 'categories', body }, { proves, gives: difference.ref })
        : Step.of(
            content,
            { route: 'categories', id: { idOf: difference.found.ref }, body },
            { proves, gives: difference.ref },
          )
    })
  },
}
