import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carried, Carrier } from '../../step.js'
import { hasLogo, partFor, withLogo } from '../block-menus.js'
import { partsOf } from '../menus.js'
import { refusal, type WordPressSession } from '../session.js'
import { activeTheme } from '../themes.js'

const supports = z.array(z.looseObject({ theme_supports: z.looseObject({ 'custom-logo': z.unknown() }) }))
const NO_PLACE = 'the theme has no place for a logo; choose one that has, or leave it out: leave: [site.logo]'

/** Makes the theme in use show the logo: one made of blocks gets it into its header, another needs a place for it. */
export const logo: Carrier<object, WordPressSession> = {
  name: 'the header of the theme',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const theme = await activeTheme(session)
    const outcome = theme?.blockTheme ? await putLogo(session) : await hasPlace(session)
    return loads.map(() => outcome)
  },
}

async function putLogo(session: WordPressSession): Promise<Carried> {
  const header = partFor('main', await partsOf(session))
  if (!header) return { refused: NO_PLACE }
  if (hasLogo(header)) return {}
  const answer = await session.rest('POST', `/wp/v2/template-parts/${header.id}`, '', { content: withLogo(header) })
  session.shelf.forget('parts')
  return answer.status >= 400 ? { refused: refusal(answer.status, jsonOf(answer)) } : {}
}

async function hasPlace(session: WordPressSession): Promise<Carried> {
  const answer = await session.rest('GET', '/wp/v2/themes', 'status=active')
  const [theme] = session.read(answer, supports, 'the list of themes')
  return theme?.theme_supports['custom-logo'] ? {} : { refused: NO_PLACE }
}
