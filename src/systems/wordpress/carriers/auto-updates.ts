import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carrier } from '../../step.js'
import { pluginsOf } from '../plugins.js'
import type { WordPressSession } from '../session.js'
import { themesOf } from '../themes.js'

export interface AutoUpdateFields {
  type: 'theme' | 'plugin'
  automatic: boolean
  /** One of them, by its folder; all where left out. */
  use?: string
  /** Left out of all, by their folders. */
  but?: readonly string[]
}

const outcome = z.object({ success: z.boolean() })

/** Whether themes and add-ons update themselves: a request each. */
export const autoUpdates: Carrier<AutoUpdateFields, WordPressSession> = {
  name: 'own updates',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { themes, token } = await themesOf(session)
    const all =
      load.type === 'theme'
        ? themes.map(({ id }) => id)
        : (await pluginsOf(session)).map(({ plugin }) => `${plugin}.php`)
    const folder = (asset: string) => asset.replace(/\/.*|\.php$/g, '')
    const assets = all.filter((asset) =>
      load.use === undefined ? !load.but?.includes(folder(asset)) : folder(asset) === load.use,
    )
    const answers = await Promise.all(
      assets.map((asset) =>
        session.visitor.post('wp-admin/admin-ajax.php', {
          action: 'toggle-auto-updates',
          _ajax_nonce: token,
          type: load.type,
          asset,
          state: load.automatic ? 'enable' : 'disable',
        }),
      ),
    )
    session.shelf.forget(load.type === 'theme' ? 'themes' : 'plugins')
    const failed = answers.find((answer) => !outcome.safeParse(jsonOf(answer)).data?.success)
    return [failed ? { refused: `HTTP ${failed.status}` } : {}]
  },
}
