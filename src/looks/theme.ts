import type { ThemeLook } from '../core/areas/theme.js'
import { bad, good, notLookedAt, type Look } from './look.js'

/**
 * Whether a page wears the theme.
 * @param wears whether a page's HTML bears the sign of the theme by that name; nothing where it bears the sign of no theme at all
 * @example const theme = { looks: { theme: wornBy((html, use) => html.includes(`/themes/${use}/`)) } }
 */
export const wornBy =
  (wears: (html: string, use: string) => boolean | undefined): Look<ThemeLook> =>
  async ({ use, parent }, { place, visit }) => {
    const { text, url } = await visit(place)
    const worn = wears(text, use)
    if (worn) return good(url)
    if (worn === undefined) return notLookedAt(`${url} bears no sign of a theme`)
    if (parent !== undefined && wears(text, parent))
      return notLookedAt(`${url} bears the sign of “${parent}”, on which it builds, and none of its own`)
    return bad(`${url} looks otherwise`)
  }
