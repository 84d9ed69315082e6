import { idOf, refsInTree, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { menu } from '../carriers/forms.js'
import { linesOf } from '../entries.js'

type Entry = ItemOf<'menus'>['entries'][number]

export const menus: AreaOnSystem<'menus', StandInSession> = {
  keys: ['place', 'entries'],
  async read(session, { menus: planned }) {
    // without entries of its own, it lists the pages at the top: nobody's as long as nothing is planned
    if (!planned?.main) return []
    const [{ lines = '' }, pages] = await Promise.all([session.form('menu'), session.rows('pages')])
    const refs = refsInTree(
      'pages',
      pages.map(({ id, data }) => ({ id: String(id), slug: data.slug ?? '', parent: data.parent ?? '' })),
    )
    const entries = linesOf(lines).flatMap((line): Entry[] => {
      const [, kind, to = '', label = ''] = /^(\S+) (\S+) (.*)$/.exec(line) ?? []
      if (kind === 'link') return [{ link: to, label }]
      const ref = refs.get(to)
      return ref === undefined ? [] : [{ ref, label }]
    })
    const ships = lines === ''
    const marks = { place: ships, untouched: ships, known: ships }
    return [{ id: 'main', item: { place: 'main', entries }, marks, copy: { lines } }]
  },
  choices: () => Promise.resolve({ place: ['main'] }),
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const lines = difference.wanted.entries.map((entry) =>
        'link' in entry ? ['link', entry.link, entry.label] : ['page', idOf(entry.ref), entry.label],
      )
      return [Step.of(menu, { lines }, { proves: [difference], gives: difference.ref })]
    }),
}
