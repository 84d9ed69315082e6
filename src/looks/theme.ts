import type { ThemeLook } from '../core/areas/theme.js'
import { bad, good, type Look } from './look.js'

/** Whether a page wears the theme. @param wears whether a page's HTML bears the sign of the theme by that name */
export const wornBy =
  (wears: (html: string, use: string) => boolean): Look<ThemeLook> =>
  async ({ use }, { place, visit }) => {
    const { text, url } = await visit(place)
    return wears(text, use) ? good(url) : bad(`${url} looks otherwise`)
  }
