import type { Difference } from '../../../core/area.js'
import type { Marks } from '../../../core/shipped.js'
import { flatCategories, type CategoryItem } from '../../../core/areas/categories.js'
import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { valuesToSend } from '../../values-to-send.js'
import { shipped, wordsFor } from '../shipped-words.js'
import { content } from '../carriers/content.js'
import { options } from '../carriers/options.js'
import { categoriesOf, termSchema, type Term } from '../items.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'
import { titleAsHtml, titleIn } from '../titles.js'
import { shippedWords } from '../shipped-texts.js'

const FIRST = 1
/** What the step gives that makes another category the default: the shipped one can go only behind it. */
const relieved = 'own.categories/relieved'
const changes = (difference: Difference<'categories', CategoryItem>, ...keys: (keyof CategoryItem)[]): boolean =>
  difference.is === 'missing' || (difference.is === 'different' && keys.some((key) => difference.fields.includes(key)))
const ships = ({ name, slug }: Term): boolean =>
  shippedWords.some(({ category }) => category.slug === slug && category.name === titleIn(name))

export const categories: AreaOnSystem<'categories', WordPressSession> = {
  keys: ['name', 'slug', 'description', 'parent', 'default'],
  async read(session, { categories: planned }) {
    // one that the baseline makes the default takes that duty from the one that has it
    const relieved = flatCategories({ categories: planned }).some((one) => one.default)
    const [terms, { values }] = await Promise.all([categoriesOf(session), optionsOf(session)])
    const slugs = new Map(terms.map(({ id, slug }) => [id, slug]))
    return terms.map((term) => {
      const marks: Marks = {
        place: term.id === FIRST,
        untouched: ships(term) && term.description === '',
        known: ships(term),
        needed: !relieved && String(term.id) === values.default_category,
      }
      const above = slugs.get(term.parent)
      return {
        id: term.id,
        item: {
          name: titleIn(term.name),
          slug: term.slug,
          description: titleIn(term.description),
          parent: above === undefined ? '' : refOf('categories', above),
          default: String(term.id) === values.default_category,
        },
        marks,
        address: term.link,
        copy: term,
      }
    })
  },
  translate(differences) {
    const relieves = differences.find((one) => one.is !== 'left over' && one.wanted.default && changes(one, 'default'))
    return differences.flatMap((difference): Step[] => {
      const proves = [difference]
      if (difference.is === 'left over')
        return [
          Step.of(
            content,
            { route: 'categories', id: idOf(difference.ref), remove: true },
            { proves, after: relieves ? [relieved] : [] },
          ),
        ]
      const { name, slug, description, parent } = valuesToSend(difference)
      const body = {
        ...(name !== undefined && { name: titleAsHtml(name) }),
        ...(slug !== undefined && { slug }),
        ...(description !== undefined && { description: titleAsHtml(description) }),
        ...(parent !== undefined && { parent: parent === '' ? 0 : idOf(parent) }),
      }
      const id = difference.is === 'missing' ? {} : { id: idOf(difference.found.ref) }
      const duty = { default_category: idOf(difference.ref) }
      return [
        ...(changes(difference, 'name', 'slug', 'description', 'parent')
          ? [Step.of(content, { route: 'categories', ...id, body }, { proves, gives: difference.ref })]
          : []),
        ...(difference === relieves ? [Step.of(options, duty, { proves, gives: relieved })] : []),
      ]
    })
  },
  again({ ref, item, copy }) {
    const { name, slug, description } = termSchema.parse(copy)
    const body = { name, slug, description, parent: item.parent === '' ? 0 : idOf(item.parent) }
    return Step.of(content, { route: 'categories', body }, { proves: [], gives: ref })
  },
  ships: (baseline) => [
    {
      id: 1,
      item: { ...wordsFor(baseline).category, description: '', parent: '', default: true },
      marks: { ...shipped, needed: !flatCategories(baseline).some((one) => one.default) },
    },
  ],
}
