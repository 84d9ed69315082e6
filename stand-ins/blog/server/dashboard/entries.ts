import type { Fields, Office } from '../../../common/server/office.js'
import { clock } from '../../../common/server/clock.js'
import type { Field } from '../html.js'
import type { Blog, Page, Post } from '../model.js'

const common = (item?: Page | Post): Field[] => [
  { name: 'title', label: 'Title', value: item?.title ?? '' },
  { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
  { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' },
  { name: 'state', label: 'State', value: item?.state ?? 'published', choices: ['published', 'draft'] },
]
const numbers = (text = ''): number[] =>
  text
    .split(/\D+/)
    .filter((part) => part !== '')
    .map(Number)

/** Pages: a list, and a form an item. */
export const pages = (office: Office, blog: Blog): void => {
  entries(office, blog, 'pages', {
    marks: ({ parent, order }: Page) => ({ parent: String(parent), order: String(order) }),
    fields: (item?: Page): Field[] => [
      { name: 'parent', label: 'Under, by number', value: String(item?.parent ?? 0) },
      { name: 'order', label: 'Order', value: String(item?.order ?? 0) },
    ],
    take: ({ parent, order }) => ({ parent: Number(parent ?? 0), order: Number(order ?? 0) }),
  })
}

/** Posts: a list, and a form an item. */
export const posts = (office: Office, blog: Blog): void => {
  entries(office, blog, 'posts', {
    marks: ({ categories, tags, date, open }: Post) => ({
      ...{ categories: categories.join(' '), tags: tags.join(' '), date, open: String(open) },
    }),
    fields: (item?: Post): Field[] => [
      { name: 'categories', label: 'Categories, by number', value: item?.categories.join(' ') ?? '' },
      { name: 'tags', label: 'Tags, by number', value: item?.tags.join(' ') ?? '' },
      { name: 'date', label: 'Appears', value: item?.date ?? '' },
    ],
    take: ({ categories, tags, date }, item) => {
      const own = numbers(categories).filter((number) => blog.categories.some(({ id }) => id === number))
      return {
        categories: own.length > 0 ? own : [blog.settings.defaultCategory],
        tags: numbers(tags).filter((number) => blog.tags.some(({ id }) => id === number)),
        date: /^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(date ?? '') ? (date ?? '') : clock(blog.settings.timezone),
        open: item?.open ?? blog.settings.commentsAllowed,
      }
    },
  })
}

type EntryOf<K extends 'posts' | 'pages'> = Blog[K][number]
interface Kind<E> {
  marks(item: E): Record<string, string>
  fields(item?: E): Field[]
  take(body: Fields, item?: E): Omit<E, keyof Page | keyof Post> & Partial<E>
}

function entries<K extends 'posts' | 'pages'>(office: Office, blog: Blog, room: K, kind: Kind<EntryOf<K>>): void {
  const all = blog[room] as EntryOf<K>[]
  office.get(`/${room}`, (_request, reply) => {
    const rows = all.map((item) => {
      const { id, title, slug, state, by, made, edited } = item
      return {
        id,
        marks: { by: String(by), made, edited, state, slug, ...kind.marks(item) },
        cells: [title, slug, state],
      }
    })
    const add = `<p><a href="${office.place}/${room}/new">new</a></p>`
    return office.screen(reply, room, add + office.table(rows, room))
  })
  office.get(`/${room}/:id`, (request, reply) => {
    const item = all.find(({ id }) => String(id) === request.params.id)
    const fields = [...common(item), ...kind.fields(item)]
    return office.screen(reply, room, office.editor(request, `/${room}/${request.params.id}`, fields, !!item))
  })
  office.post(`/${room}/:id`, `/${room}`, (body, id, request) => {
    const { title = '', slug = '', body: text = '', state } = body
    // pages share a slug where they stand under different ones
    const beside = (other: object) => !('parent' in other) || String(other.parent) === (body.parent ?? '0')
    if (slug === '' || all.some((other) => other.slug === slug && other.id !== id && beside(other)))
      return 'That slug is taken.'
    const now = new Date().toISOString()
    const item = all.find((one) => one.id === id)
    const written = {
      title,
      slug,
      body: text.replaceAll('\r\n', '\n'),
      state: state === 'draft' ? ('draft' as const) : ('published' as const),
      edited: now,
      ...kind.take(body, item),
    }
    if (item) return void Object.assign(item, written)
    const by = office.sessions.account(request) ?? 1
    all.push({ id: blog.next, by, made: now, ...written } as unknown as EntryOf<K>)
    return blog.next++
  })
  office.post(`/${room}/:id/remove`, `/${room}`, (_body, id) => {
    const at = all.findIndex((item) => item.id === id)
    if (at < 0) return 'It is gone already.'
    all.splice(at, 1)
    if (room === 'posts') blog.comments = blog.comments.filter(({ post }) => post !== id)
    else {
      for (const page of blog.pages) if (page.parent === id) page.parent = 0
      const { settings } = blog
      if (settings.frontPage === id) settings.frontPage = 0
      if (settings.postsPage === id) settings.postsPage = 0
    }
    return undefined
  })
}
