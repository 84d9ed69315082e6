import { load } from 'cheerio'
import type { WordPressSession } from './session.js'
import { themesOf } from './themes.js'

export interface Waiting {
  /** As an owner is told: `theme lantern 1.1`. */
  text: string
  kind: 'theme' | 'plugin'
  /** What the system knows it by. */
  asset: string
}

/** Newer versions of themes and add-ons that the system knows of. */
export const waitingOf = (session: WordPressSession): Promise<Waiting[]> =>
  session.shelf.read('waiting', async () => {
    const [{ themes }, { $ }] = await Promise.all([
      themesOf(session),
      session.screen('wp-admin/plugins.php', {
        has: 'body.plugins-php #bulk-action-form',
        wanted: 'the screen of add-ons',
      }),
    ])
    return [
      ...themes
        .filter(({ hasUpdate }) => hasUpdate)
        .map(({ id, update }) => {
          const version = /\b\d+(?:\.\d+)+\b/.exec(load(update ?? '').text())?.[0] ?? ''
          return { text: `theme ${id} ${version}`.trim(), kind: 'theme' as const, asset: id }
        }),
      ...$('tr.plugin-update-tr[data-plugin]')
        .toArray()
        .map((row) => {
          const asset = $(row).attr('data-plugin') ?? ''
          const version = /\b\d+(?:\.\d+)+\b/.exec($(row).text())?.[0] ?? ''
          return {
            text: `add-on ${asset.replace(/\/.*|\.php$/g, '')} ${version}`.trim(),
            kind: 'plugin' as const,
            asset,
          }
        }),
    ]
  })
