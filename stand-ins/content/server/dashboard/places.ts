import type { Office } from '../../../common/server/office.js'
import { columnParts, columnPlaces, type ContentSite, type MenuEntry } from '../model.js'

const linesOf = (text = ''): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')
const texts = ['text1', 'text2', 'text3'] as const

/** The menu, and the columns with up to three texts each: one entry a line. */
export function places(office: Office, site: ContentSite): void {
  office.get('/menu', (request, reply) => {
    const value = site.menu.map(({ kind, to, label }) => `${kind} ${to} ${label}`).join('\n')
    const fields = [
      { name: 'lines', label: 'One entry a line; none: all pages at the top', value, kind: 'long' as const },
    ]
    return office.screen(reply, 'menu', office.editor(request, '/menu', fields))
  })
  office.post('/menu', '/menu', ({ lines }) => {
    const entries = linesOf(lines).map((line): MenuEntry | undefined => {
      const [, kind, to = '', label = ''] = /^(page|link) (\S+) (.+)$/.exec(line) ?? []
      return kind === undefined ? undefined : { kind: kind as MenuEntry['kind'], to, label }
    })
    if (entries.includes(undefined)) return 'One of the lines is no entry.'
    site.menu = entries.filter((entry) => entry !== undefined)
    return undefined
  })
  office.get('/columns', (_request, reply) => {
    const rows = columnPlaces.map((place) => ({ id: place, cells: [place, site.columns[place].lines.join(', ')] }))
    return office.screen(reply, 'columns', office.table(rows, 'columns'))
  })
  for (const place of columnPlaces) {
    office.get(`/columns/${place}`, (request, reply) => {
      const column = site.columns[place]
      const lines = { name: 'lines', label: 'One part a line', value: column.lines.join('\n'), kind: 'long' as const }
      const own = texts.map((name, index) => ({
        ...{ name, label: `Text ${index + 1}`, value: column.texts[index] ?? '', kind: 'long' as const },
      }))
      return office.screen(reply, 'columns', office.editor(request, `/columns/${place}`, [lines, ...own]))
    })
    office.post(`/columns/${place}`, '/columns', ({ lines, text1 = '', text2 = '', text3 = '' }) => {
      const parts = linesOf(lines)
      if (parts.some((part) => !(columnParts as readonly string[]).includes(part)))
        return 'One of the lines is no part.'
      const [one, two, three] = [text1, text2, text3].map((text) => text.replaceAll('\r\n', '\n'))
      site.columns[place] = { lines: parts, texts: [one ?? '', two ?? '', three ?? ''] }
      return undefined
    })
  }
}
