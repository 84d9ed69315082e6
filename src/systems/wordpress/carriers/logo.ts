import { jsonOf } from '../../../web/answer.js'
import type { Carried, Carrier } from '../../step.js'
import { withLogo } from '../block-menus.js'
import { headerOf, showsLogo } from '../logo.js'
import { refusal, type WordPressSession } from '../session.js'
import { activeTheme } from '../themes.js'

const NO_PLACE = 'the theme has no place for a logo; choose one that has, or leave it out: leave: [site.logo]'

/** Puts the logo into the header of a theme that is made of blocks. Another theme shows it by itself, or can't. */
export const logo: Carrier<object, WordPressSession> = {
  name: 'the header of the theme',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    // its owner may have edited the header since it was read
    session.shelf.forget('parts')
    const outcome = (await showsLogo(session)) ? {} : await putLogo(session)
    return loads.map(() => outcome)
  },
}

async function putLogo(session: WordPressSession): Promise<Carried> {
  const header = (await activeTheme(session))?.blockTheme ? await headerOf(session) : undefined
  if (!header) return { refused: NO_PLACE }
  const answer = await session.rest('POST', `/wp/v2/template-parts/${header.id}`, '', { content: withLogo(header) })
  session.shelf.forget('parts')
  return answer.status >= 400 ? { refused: refusal(answer.status, jsonOf(answer)) } : {}
}
