import type { CategoryItem } from '../../../core/areas/categories.js'
import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { addressOf, bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { htmlOfRows } from '../blocks.js'
import { items, type ItemFields } from '../carriers/items.js'
import { encode } from '../escape.js'
import { filesOf } from '../files.js'
import type { EverShopSession } from '../session.js'
import { categoryMarks, shipped, shippedCategories } from '../shipped.js'
import { shopOf } from '../shop.js'
import { shownText } from '../../../core/text/plain.js'
import { notLatin } from '../../latin.js'
import { tagged } from '../wire.js'

const sort = 'categories'
/** What the shop shows at the top in place of a category of that name. */
const OWN = ['account', 'admin', 'cart', 'checkout', 'search']

export const categories: AreaOnSystem<'categories', EverShopSession> = {
  keys: ['name', 'slug', 'description', 'parent', 'picture'],
  takes: (key, value, { slug, parent }) => {
    if (key === 'slug' && !parent && OWN.includes(slug))
      return 'the shop has a page of its own at that address; take another'
    return key === 'slug' ? notLatin(slug) : key === 'name' ? tagged(value) : undefined
  },
  async read(session) {
    const [{ categories: found }, files] = await Promise.all([shopOf(session), filesOf(session)])
    const slugs = new Map(found.items.map(({ categoryId, urlKey }) => [categoryId, urlKey ?? '']))
    return found.items.map(({ categoryId, name, urlKey, description, image, parent, url, status }) => {
      const html = htmlOfRows(description)
      const file = files.find((one) => one.url === image?.url)
      const above = parent ? slugs.get(parent.categoryId) : undefined
      const item: CategoryItem = {
        ...{ name, slug: urlKey ?? '', description: shownText(html) },
        parent: above === undefined ? '' : refOf('categories', above),
        picture: file ? refOf('media', file.name.replace(/\.[^.]*$/, '')) : '',
      }
      return {
        id: categoryId,
        item,
        marks: categoryMarks(categoryId, item.slug, name, html, status === 1),
        address: new URL(url ?? '', session.visitor.home).href,
        copy: item,
      }
    })
  },
  readAgain(session, _found, baseline) {
    session.shelf.forget('shop')
    return this.read(session, baseline)
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { sort, id: idOf(ref), remove: true }, { proves })
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const changed = (key: keyof CategoryItem) => difference.is === 'missing' || difference.fields.includes(key)
      return Step.of(
        items,
        { sort, ...id, ...fieldsOf(difference.wanted, changed, difference.is === 'missing') },
        { proves, gives: ref },
      )
    }),
  again: ({ ref, item }) => Step.of(items, { sort, ...fieldsOf(item, () => true, true) }, { proves: [], gives: ref }),
  ships: () => shippedCategories.map(([id, slug, name]) => ({ id, item: { name, slug, parent: '' }, marks: shipped })),
}

function fieldsOf(
  { name, slug, description, parent, picture }: CategoryItem,
  changed: (key: keyof CategoryItem) => boolean,
  fresh: boolean,
): Pick<ItemFields, 'fields' | 'text'> {
  return {
    fields: {
      // without a title of its own for search engines, the system fails; it also stands in the trail of links
      ...(fresh && { meta_title: name, meta_description: name, meta_keywords: '', status: 1, show_products: 1 }),
      ...(changed('name') && { name }),
      ...(changed('slug') && { url_key: slug }),
      ...(changed('parent') && { parent_id: parent === '' ? null : idOf(parent) }),
      ...(changed('picture') && picture !== undefined && { image: picture === '' ? '' : addressOf(picture) }),
    },
    ...(changed('description') &&
      description !== undefined && { text: { name: 'description', body: bodyOf(paragraph(description)) } }),
  }
}

const paragraph = (text: string): string => (text === '' ? '' : `<p>${encode(text)}</p>`)
