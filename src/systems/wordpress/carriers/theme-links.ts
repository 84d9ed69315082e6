import type { Carried, Carrier } from '../../step.js'
import type { WordPressSession } from '../session.js'
import { themesOf } from '../themes.js'

export interface ThemeLink {
  use: string
  go: 'activate' | 'delete'
}

/**
 * Activates or removes a theme, by the links on the screen of themes. The system obeys even where it would leave the site
 * without one: never the theme in use, nor the one it builds upon.
 */
export const themeLinks: Carrier<ThemeLink, WordPressSession> = {
  name: 'themes',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const outcomes: Carried[] = []
    for (const load of loads) outcomes.push(await follow(load, session))
    session.shelf.forget('themes')
    // a theme has places of its own for menus and sidebars
    if (loads.some(({ go }) => go === 'activate'))
      session.shelf.forget('sidebars', 'widgets', 'menu-locations', 'parts', 'front')
    return outcomes
  },
}

async function follow({ use, go }: ThemeLink, session: WordPressSession): Promise<Carried> {
  const answer = await session.send<{ refused: string }>(async () => {
    const link = (go === 'activate' && session.tokens.get(`activate ${use}`)) || (await offered({ use, go }, session))
    if (typeof link !== 'string') return link
    return session.visitor.get(link.replaceAll('&amp;', '&'), { follow: false, purpose: 'write' })
  })
  if ('refused' in answer) return answer
  return answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }
}

/** The link on the screen of themes. */
async function offered({ use, go }: ThemeLink, session: WordPressSession): Promise<string | { refused: string }> {
  const { themes } = await themesOf(session)
  const own = themes.find(({ id }) => id === use)
  const active = themes.find((theme) => theme.active)
  if (go === 'delete' && (own?.active || (own && active?.parent === own.name)))
    return { refused: 'the theme in use needs it' }
  const refused = 'the system offers no link for it: it is broken, or lacks the theme it builds upon'
  return own?.actions[go] ?? { refused }
}
