import type { Carrier } from '../../step.js'
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
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { themes } = await themesOf(session)
    const own = themes.find(({ id }) => id === load.use)
    const active = themes.find((theme) => theme.active)
    if (load.go === 'delete' && (own?.active || (own && active?.parent === own.name)))
      return [{ refused: 'the theme in use needs it' }]
    const link = own?.actions[load.go]
    if (!link) return [{ refused: 'the system offers no link for it: it is broken, or lacks the theme it builds upon' }]
    const answer = await session.visitor.get(link.replaceAll('&amp;', '&'), { follow: false, purpose: 'write' })
    session.shelf.forget('themes', 'sidebars', 'widgets', 'menus', 'menu-locations', 'parts')
    return [answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }]
  },
}
