import { idOf, refOf, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { menu } from '../carriers/forms.js'

type Entry = ItemOf<'menus'>['entries'][number]

export const menus: AreaOnSystem<'menus', StandInSession> = {
  keys: ['place', 'entries'],
  async read(session, { menus: planned }) {
    // without entries of its own, it lists the categories at the top: nobody's as long as nothing is planned
    if (!planned?.main) return []
    const [{ lines = '' }, pages, categories] = await Promise.all([
      session.form('menu'),
      session.rows('pages'),
      session.rows('categories'),
    ])
    const entryIn = (line: string): Entry[] => {
      const [, kind, to = '', label = ''] = /^(\S+) (\S+) (.*)$/.exec(line) ?? []
      if (kind === 'link') return [{ link: to, label }]
      const rows = kind === 'page' ? pages : categories
      const slug = rows.find(({ id }) => String(id) === to)?.data.slug
      return slug === undefined ? [] : [{ ref: refOf(kind === 'page' ? 'pages' : 'categories', slug), label }]
    }
    const entries = lines.split(/\r?\n/).flatMap((line) => (line === '' ? [] : entryIn(line)))
    const ships = lines === ''
    const marks = { place: ships, untouched: ships, known: ships }
    return [{ id: 'main', item: { place: 'main', entries }, marks, copy: { lines } }]
  },
  choices: () => Promise.resolve({ place: ['main'] }),
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const lines = difference.wanted.entries.map((entry) =>
        'link' in entry
          ? ['link', entry.link, entry.label]
          : [entry.ref.startsWith('pages/') ? 'page' : 'category', idOf(entry.ref), entry.label],
      )
      return [Step.of(menu, { lines }, { proves: [difference], gives: difference.ref })]
    }),
}
