import { z } from 'zod'
import type { AreaOnSystem } from '../../system.js'
import type { WordPressSession } from '../session.js'

const themeSchema = z.looseObject({ stylesheet: z.string(), status: z.string() })
// the system's yearly themes, by the numbers that they are named after
const ships =
  /^twenty(?:ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|nineteen|twenty(?:one|two|three|four|five)?)$/

export const theme: AreaOnSystem<'theme', WordPressSession> = {
  async read(session) {
    const themes = await session.shelf.read('themes', async () =>
      session.read(await session.rest('GET', '/wp/v2/themes'), z.array(themeSchema)),
    )
    return themes.map(({ stylesheet, status }) => ({
      id: stylesheet,
      item: { use: stylesheet, active: status === 'active' },
      marks: { place: ships.test(stylesheet), untouched: true, known: true },
    }))
  },
}
