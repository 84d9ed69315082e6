import { z } from 'zod'
import { jsonOf, type Answer } from '../../../web/answer.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { pluginsOf } from '../plugins.js'
import type { WordPressSession } from '../session.js'
import { askForUpdates, themesOf } from '../themes.js'

export interface AutoUpdateFields {
  type: 'theme' | 'plugin'
  automatic: boolean
  /** One of them; all where left out. */
  id?: IdOf
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
    const folder = (asset: string) => asset.replace(/\/.*|\.php$/g, '')
    const all = String(load.id ?? '').includes('/') ? [`${load.id}.php`] : await assetsOf(load.type, session)
    const assets = all.filter((asset) =>
      load.id === undefined ? !load.but?.includes(folder(asset)) : folder(asset) === folder(String(load.id)),
    )
    const answers: Answer[] = []
    // one after another: the system keeps them in one list, and two at once would lose one
    for (const asset of assets)
      answers.push(
        await askForUpdates(session, {
          action: 'toggle-auto-updates',
          type: load.type,
          asset,
          state: load.automatic ? 'enable' : 'disable',
        }),
      )
    // the list of add-ons does not show it
    if (load.type === 'theme') session.shelf.forget('themes')
    const failed = answers.find((answer) => !outcome.safeParse(jsonOf(answer)).data?.success)
    return [failed ? { refused: `HTTP ${failed.status}` } : {}]
  },
}

const assetsOf = async (type: AutoUpdateFields['type'], session: WordPressSession): Promise<string[]> =>
  type === 'theme'
    ? (await themesOf(session)).themes.map(({ id }) => id)
    : (await pluginsOf(session)).map(({ plugin }) => `${plugin}.php`)
