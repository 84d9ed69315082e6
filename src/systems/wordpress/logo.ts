import { z } from 'zod'
import { hasLogo, partFor } from './block-menus.js'
import { partsOf, type Part } from './menus.js'
import type { WordPressSession } from './session.js'
import { activeTheme } from './themes.js'

const supports = z.array(z.looseObject({ theme_supports: z.looseObject({ 'custom-logo': z.unknown() }) }))

/** The header of a theme that is made of blocks. */
export const headerOf = async (session: WordPressSession): Promise<Part | undefined> =>
  partFor('main', await partsOf(session))

/** Whether the theme in use shows a logo: one made of blocks has it in its header, another has a place for it. */
export async function showsLogo(session: WordPressSession): Promise<boolean> {
  const theme = await activeTheme(session)
  if (theme?.blockTheme) {
    const header = await headerOf(session)
    return header !== undefined && hasLogo(header)
  }
  return session.shelf.read(`logo of ${theme?.id ?? ''}`, async () => {
    const answer = await session.rest('GET', '/wp/v2/themes', 'status=active')
    const [active] = session.read(answer, supports, 'the list of themes')
    return Boolean(active?.theme_supports['custom-logo'])
  })
}
