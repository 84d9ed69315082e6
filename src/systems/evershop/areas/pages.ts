import type { PageItem } from '../../../core/areas/pages.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { htmlOfRows, tooLong } from '../blocks.js'
import { items, type ItemFields } from '../carriers/items.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { notLatin } from '../../latin.js'
import { tagged } from '../wire.js'

const sort = 'pages'

/** Pages: all of them at the top. */
export const pages: AreaOnSystem<'pages', EverShopSession> = {
  keys: ['title', 'slug', 'body', 'state'],
  takes: (key, value, { slug }) =>
    key === 'slug' ? notLatin(slug) : key === 'title' ? tagged(value) : key === 'body' ? tooLong(value) : undefined,
  async read(session) {
    const { cmsPages } = await shopOf(session)
    return cmsPages.items.map(({ cmsPageId, name, urlKey, status, content, url }) => {
      const item: PageItem = {
        ...{ title: name, slug: urlKey, body: htmlOfRows(content), parent: '' },
        state: status === 1 ? 'published' : 'draft',
      }
      const marks = { place: false, untouched: false, known: false, hidden: status !== 1 }
      return { id: cmsPageId, item, marks, address: new URL(url, session.visitor.home).href, copy: item }
    })
  },
  async readAgain(session, found, baseline) {
    session.shelf.forget('shop')
    const ids = new Set(found.map(({ id }) => id))
    return (await this.read(session, baseline)).filter(({ id }) => ids.has(id))
  },
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return Step.of(items, { sort, id: idOf(ref), remove: true }, { proves })
      const id = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const changed = (key: keyof PageItem) => difference.is === 'missing' || difference.fields.includes(key)
      return Step.of(
        items,
        { sort, ...id, ...fieldsOf(difference.wanted, changed, difference.is === 'missing') },
        { proves, gives: ref },
      )
    }),
  again: ({ ref, item }) => Step.of(items, { sort, ...fieldsOf(item, () => true, true) }, { proves: [], gives: ref }),
}

const fieldsOf = (
  { title, slug, body, state }: PageItem,
  changed: (key: keyof PageItem) => boolean,
  fresh: boolean,
): Pick<ItemFields, 'fields' | 'text'> => ({
  fields: {
    // the title for search engines stands in the trail of links as well, and a page can't do without
    ...(changed('title') && { name: title, meta_title: title }),
    ...(fresh && { meta_description: title, meta_keywords: '' }),
    ...(changed('slug') && { url_key: slug }),
    ...(changed('state') && { status: state === 'draft' ? 0 : 1 }),
  },
  ...(changed('body') && { text: { name: 'content', body: bodyOf(body ?? '') } }),
})
