import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carrier } from '../../step.js'
import { looksBroken } from '../front.js'
import { waitingOf } from '../new-versions.js'
import type { WordPressSession } from '../session.js'
import { askForUpdates } from '../themes.js'

const outcome = z.object({
  success: z.boolean(),
  data: z.looseObject({ errorMessage: z.string().optional(), errorCode: z.string().optional() }).optional(),
})

/** Takes the newer versions that wait, one after another; the front page is looked at before and after each. */
export const newVersions: Carrier<object, WordPressSession> = {
  name: 'newer versions',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const waiting = await waitingOf(session)
    const troubles: string[] = []
    for (const { kind, asset, text } of waiting) {
      const before = await looksBroken(session)
      const answer = await askForUpdates(session, {
        action: `update-${kind}`,
        slug: asset.replace(/\/.*|\.php$/g, ''),
        ...(kind === 'plugin' && { plugin: asset }),
      })
      session.shelf.forget('front')
      const read = outcome.safeParse(jsonOf(answer)).data
      const after = before === undefined ? await looksBroken(session) : undefined
      if (after !== undefined)
        troubles.push(`${text}: taken, and since then ${after}; ask its makers, or put the older version back`)
      else if (!read?.success) troubles.push(`${text}: ${read?.data?.errorCode ?? `HTTP ${answer.status}`}`)
      if (after !== undefined) break
    }
    session.shelf.forget('waiting', 'themes', 'plugins')
    return loads.map(() => (troubles.length === 0 ? {} : { refused: troubles.join('; ') }))
  },
}
