import { placesOf, sidebarParts, type Blog, type MenuEntry } from '../model.js'
import type { Office } from '../../../common/server/office.js'

const lines = (text = ''): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** Menus and sidebars, in the places that the theme in use has for them: one entry a line. */
export function places(office: Office, blog: Blog): void {
  const of = <T>(room: 'menus' | 'sidebars', all: () => Record<string, T[]>, line: (entry: T) => string) => {
    const texts = (place: string) => (all()[place] ?? []).map(line).join('\n')
    office.get(`/${room}`, (_request, reply) => {
      const rows = placesOf(blog, room === 'menus' ? 'places' : 'sidebars').map((place) => ({
        id: place,
        marks: { lines: texts(place) },
        cells: [place],
      }))
      return office.screen(reply, room, office.table(rows, room))
    })
    office.get(`/${room}/:id`, (request, reply) => {
      const { id } = request.params
      const fields = [{ name: 'lines', label: 'One entry a line', value: texts(id), kind: 'long' as const }]
      return office.screen(reply, room, office.editor(request, `/${room}/${id}`, fields))
    })
  }
  of(
    'menus',
    () => blog.menus,
    ({ kind, to, label }) => `${kind} ${to} ${label}`,
  )
  of(
    'sidebars',
    () => blog.sidebars,
    (part) => part,
  )
  office.post('/menus/:id', '/menus', (body, _id, request) => {
    const entries = lines(body.lines).map((line): MenuEntry | undefined => {
      const [, kind, to = '', label = ''] = /^(page|category|link) (\S+) (.+)$/.exec(line) ?? []
      return kind === undefined ? undefined : { kind: kind as MenuEntry['kind'], to, label }
    })
    if (entries.includes(undefined)) return 'One of the lines is no entry.'
    blog.menus[request.params.id] = entries.filter((entry) => entry !== undefined)
    return undefined
  })
  office.post('/sidebars/:id', '/sidebars', (body, _id, request) => {
    const parts = lines(body.lines)
    if (parts.some((part) => !(sidebarParts as readonly string[]).includes(part))) return 'One of the lines is no part.'
    blog.sidebars[request.params.id] = parts
    return undefined
  })
}
