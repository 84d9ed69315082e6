import type { MenuEntry } from '../../../core/areas/menus.js'
import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { menus as carrier } from '../carriers/menus.js'
import { homeIsShown, whyNoSuchMenu } from '../menus.js'
import { nodesOf } from '../nodes.js'
import type { PloneSession } from '../session.js'

const NO_ENTRY = new Set(['Image', 'File', 'News Item', 'Event'])

/** The menu is made of what stands at the top: pages that are not hidden, and links. */
export const menus: AreaOnSystem<'menus', PloneSession> = {
  keys: ['place', 'entries'],
  can({ baseline }) {
    const why = whyNoSuchMenu(baseline)
    return why === undefined ? {} : { entries: { never: why } }
  },
  async read(session, { menus: planned }) {
    if (!planned?.main) return []
    const [tree, home] = await Promise.all([nodesOf(session), homeIsShown(session)])
    const shown = tree
      .in('')
      .filter(({ type, isDefault, raw }) => !isDefault && !raw.exclude_from_nav && !NO_ENTRY.has(type))
      // visitors are not shown it
      .filter(({ type, raw }) => type !== 'Link' || raw.review_state === 'published')
    const entries: MenuEntry[] = [
      ...(home ? [{ link: session.visitor.home, label: 'Home' }] : []),
      ...shown.map(({ type, path, raw }) =>
        type === 'Link'
          ? { link: raw.remoteUrl ?? '', label: raw.title ?? '' }
          : { ref: refOf('pages', path), label: raw.title ?? '' },
      ),
    ]
    const links = tree
      .in('')
      .flatMap(({ type, raw }) => (type === 'Link' ? [{ title: raw.title, remoteUrl: raw.remoteUrl }] : []))
    return [
      {
        id: 'main',
        item: { place: 'main', entries },
        marks: { place: true, untouched: home, known: true },
        copy: { entries, links },
      },
    ]
  },
  choices: () => Promise.resolve({ place: ['main'] }),
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { entries } = difference.wanted
      const all = entries.map((entry) =>
        'ref' in entry
          ? { page: idOf(entry.ref), link: '', label: entry.label }
          : { page: '' as const, link: entry.link, label: entry.label },
      )
      return [Step.of(carrier, { entries: all }, { proves: [difference], gives: difference.ref })]
    }),
}
