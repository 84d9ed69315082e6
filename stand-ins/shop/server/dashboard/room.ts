import type { Fields, Office } from '../../../common/server/office.js'
import type { Field } from '../html.js'

/** What a sort of items has on its screens. */
export interface Sort<I extends { id: number }> {
  room: string
  all(): I[]
  /** What its list tells of each. */
  marks(item: I): Record<string, string>
  name(item: I): string
  fields(item: I | undefined): Field[]
  /** Why a form is not taken. */
  refuses(body: Fields, item: I | undefined): string | undefined
  take(body: Fields, item: I | undefined): Omit<I, 'id' | 'made' | 'edited'>
  /** Why one can't be removed. */
  holds?(item: I): string | undefined
  /** Called behind one that went. */
  gone?(item: I): void
}

/** Items on one page of a list. */
const ON_A_PAGE = 200

/** A list, a form an item, and a button that removes it. @param number gives the next number */
export function itemRoom<I extends { id: number }>(office: Office, number: () => number, sort: Sort<I>): void {
  const { room } = sort
  const byNumber = (asked: string | number) => sort.all().find(({ id }) => String(id) === String(asked))
  office.get(`/${room}`, (request, reply) => {
    const page = Number((request.query as { page?: string }).page) || 1
    const all = sort.all()
    const rows = all
      .slice((page - 1) * ON_A_PAGE, page * ON_A_PAGE)
      .map((item) => ({ id: item.id, marks: sort.marks(item), cells: [sort.name(item)] }))
    const add = `<p><a href="${office.place}/${room}/new">new</a></p>`
    const more = all.length > page * ON_A_PAGE
    const next = more ? `<p><a class="next" href="${office.place}/${room}?page=${page + 1}">more</a></p>` : ''
    return office.screen(reply, room, add + office.table(rows, room) + next)
  })
  office.get(`/${room}/:id`, (request, reply) => {
    const { id } = request.params
    const item = byNumber(id)
    return office.screen(reply, room, office.editor(request, `/${room}/${id}`, sort.fields(item), item !== undefined))
  })
  office.post(`/${room}/:id`, `/${room}`, (body, id) => {
    const item = byNumber(id)
    if (Number.isFinite(id) && !item) return 'It is gone.'
    const trouble = sort.refuses(body, item)
    if (trouble !== undefined) return trouble
    const written = { ...sort.take(body, item), edited: new Date().toISOString() }
    if (item) return void Object.assign(item, written)
    const own = number()
    sort.all().push({ id: own, made: written.edited, ...written } as unknown as I)
    return own
  })
  office.post(`/${room}/:id/remove`, `/${room}`, (_body, id) => {
    const at = sort.all().findIndex((item) => item.id === id)
    const [item] = at < 0 ? [] : sort.all().slice(at, at + 1)
    if (!item) return 'It is gone already.'
    const held = sort.holds?.(item)
    if (held !== undefined) return held
    sort.all().splice(at, 1)
    sort.gone?.(item)
    return undefined
  })
}

export const linesOf = (text = ''): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
export const textIn = (text = ''): string => text.replaceAll('\r\n', '\n')
const SLUG = /^[\p{Ll}\p{Lo}\p{N}]+(?:-[\p{Ll}\p{Lo}\p{N}]+)*$/u
export const isSlug = (slug = ''): boolean => SLUG.test(slug)
