import { refOf, Step, type AreaOnSystem, type ItemOf, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { pageRefs } from '../page-refs.js'
import { shipped } from '../marks.js'
import { places } from '../carriers/places.js'
import { placesOf } from '../places-of.js'

type Entry = ItemOf<'menus'>['entries'][number]
const SHIPPED = 'page 2 An example page'

export const menus: AreaOnSystem<'menus', StandInSession> = {
  keys: ['place', 'entries'],
  async read(session, { menus: planned = {} }) {
    const [rows, pages, categories] = await Promise.all(
      ['menus', 'pages', 'categories'].map((room) => session.rows(room)),
    )
    const refs = pageRefs(pages ?? [])
    const refAt = (number: string, kind: string) => {
      const slug = categories?.find(({ id }) => String(id) === number)?.data.slug
      return kind === 'page' ? refs.get(number) : slug === undefined ? undefined : refOf('categories', slug)
    }
    const entryIn = (line: string): Entry[] => {
      const [, kind, to = '', label = ''] = /^(\S+) (\S+) (.*)$/.exec(line) ?? []
      if (kind === 'link') return [{ link: to, label }]
      const ref = refAt(to, kind ?? '')
      return ref === undefined ? [] : [{ ref, label }]
    }
    // an empty place is the theme's, and nobody's as long as nothing is planned for it
    const own = (rows ?? []).filter(({ name, data }) => data.lines !== '' || name in planned)
    return own.map(({ name: place, data }) => {
      const lines = (data.lines ?? '').split('\n').filter((line) => line !== '')
      const ships = lines.length === 0 || (lines.length === 1 && lines[0] === SHIPPED)
      return {
        id: place,
        item: { place, entries: lines.flatMap(entryIn) },
        marks: { place: ships, untouched: ships, known: ships },
        copy: { place, lines },
      }
    })
  },
  choices: (session, baseline) => placesOf(session, 'menus', baseline),
  translate: (differences) =>
    differences.map((difference) => {
      const proves = [difference]
      if (difference.is === 'left over')
        return Step.of(places, { room: 'menus', place: difference.found.item.place, lines: [] }, { proves })
      const { place, entries } = difference.wanted
      const lines = entries.map((entry) =>
        'link' in entry
          ? ['link', entry.link, entry.label]
          : [entry.ref.startsWith('pages/') ? 'page' : 'category', idOf(entry.ref), entry.label],
      )
      return Step.of(places, { room: 'menus', place, lines }, { proves })
    }),
  ships: () => [
    {
      id: 'main',
      item: { place: 'main', entries: [{ ref: 'pages/an-example-page', label: 'An example page' }] },
      marks: shipped,
    },
  ],
}
