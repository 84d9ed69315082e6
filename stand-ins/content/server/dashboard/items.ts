import type { Fields, Office } from '../../../common/server/office.js'
import type { Field } from '../html.js'
import type { ContentSite, Entry } from '../model.js'

/** Pages, news or events: what a sort of items has beside what all have. */
export interface Sort<E extends Entry> {
  room: 'pages' | 'news' | 'events'
  marks(item: E): Record<string, string>
  fields(item: E | undefined): Field[]
  take(body: Fields, item: E | undefined): Omit<E, keyof Entry>
  /** Whether another item has the same address. */
  clashes(one: { id: number; slug: string; parent?: string }): boolean
  /** Called behind an item that went. */
  gone?(id: number): void
}

const common = (item: Entry | undefined): Field[] => [
  { name: 'title', label: 'Title', value: item?.title ?? '' },
  { name: 'slug', label: 'Slug', value: item?.slug ?? '' },
  { name: 'summary', label: 'Summary', value: item?.summary ?? '' },
  { name: 'body', label: 'Text', value: item?.body ?? '', kind: 'long' },
  { name: 'tags', label: 'Tags, a line each', value: item?.tags.join('\n') ?? '', kind: 'long' },
]
const linesOf = (text = ''): string[] => text.split(/\r?\n/).filter((line) => line !== '')

/** A list, a form an item, and two buttons: what is new is private until somebody publishes it. */
export function items<E extends Entry>(office: Office, site: ContentSite, all: () => E[], sort: Sort<E>): void {
  const { room } = sort
  const byNumber = (number: string | number) => all().find(({ id }) => String(id) === String(number))
  office.get(`/${room}`, (_request, reply) => {
    const rows = all().map((item) => {
      const { id, title, slug, summary, state, by, made, edited, tags } = item
      const own = { by: String(by), made, edited, state, slug, summary, tags: tags.join('\n') }
      return { id, marks: { ...own, ...sort.marks(item) }, cells: [title, slug, state] }
    })
    const add = `<p><a href="${office.place}/${room}/new">new</a></p>`
    return office.screen(reply, room, add + office.table(rows, room))
  })
  office.get(`/${room}/:id`, (request, reply) => {
    const { id } = request.params
    const item = byNumber(id)
    const button = (name: string) => office.button(request, `/${room}/${id}/${name}`, name, name)
    const buttons = item ? button('publish') + button('retract') : ''
    const editor = office.editor(request, `/${room}/${id}`, [...common(item), ...sort.fields(item)], item !== undefined)
    return office.screen(reply, room, editor + buttons)
  })
  office.post(`/${room}/:id`, `/${room}`, (body, id, request) => {
    const item = byNumber(id)
    const account = office.sessions.account(request) ?? 0
    const trouble = refusal(sort, body, id, item, account)
    if (trouble !== undefined) return trouble
    const { title = '', slug = '', summary = '', body: text = '', tags } = body
    const now = new Date().toISOString()
    const written = {
      ...{ title, slug, summary, body: text.replaceAll('\r\n', '\n'), tags: linesOf(tags), edited: now },
      ...sort.take(body, item),
    }
    if (item) return void Object.assign(item, written)
    all().push({ id: site.next, by: account, made: now, state: 'private', ...written } as unknown as E)
    return site.next++
  })
  for (const [go, state] of [
    ['publish', 'published'],
    ['retract', 'private'],
  ] as const)
    office.post(`/${room}/:id/${go}`, `/${room}`, (_body, id) => {
      const item = byNumber(id)
      if (!item) return 'It is gone.'
      // somebody else may have been here first
      if (item.state === state) return `It is ${state} already.`
      item.state = state
      return undefined
    })
  office.post(`/${room}/:id/remove`, `/${room}`, (_body, id) => {
    const at = all().findIndex((item) => item.id === id)
    if (at < 0) return 'It is gone already.'
    all().splice(at, 1)
    sort.gone?.(id)
    return undefined
  })
}

function refusal<E extends Entry>(
  { room, clashes }: Sort<E>,
  { title = '', slug = '', parent }: Fields,
  id: number,
  item: (E & { lockedBy?: number }) | undefined,
  account: number,
): string | undefined {
  if (Number.isFinite(id) && !item) return 'It is gone.'
  if (item?.lockedBy !== undefined && item.lockedBy !== account) return 'Somebody else has it open.'
  if (title === '') return 'It needs a title.'
  if (!/^[a-z0-9][a-z0-9._-]*$/.test(slug)) return 'That is no slug.'
  if (room === 'pages' && parent === String(id)) return 'It can’t stand below itself.'
  return clashes({ id, slug, ...(parent !== undefined && { parent }) }) ? 'That slug is taken.' : undefined
}
