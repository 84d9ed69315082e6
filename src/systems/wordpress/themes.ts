import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import type { WordPressSession } from './session.js'

const themeSchema = z.looseObject({
  id: z.string(),
  name: z.string(),
  version: z.string().nullish(),
  parent: z.union([z.string(), z.literal(false)]),
  active: z.boolean(),
  hasUpdate: z.boolean(),
  update: z.string().nullish(),
  autoupdate: z.looseObject({ enabled: z.boolean() }),
  actions: z.looseObject({ activate: z.string().nullish(), delete: z.string().nullish() }),
  blockTheme: z.boolean(),
})
export type Theme = z.output<typeof themeSchema>

/** What the screen of themes says of each, and its links to activate and remove it. */
export const themesOf = (session: WordPressSession) =>
  session.shelf.read('themes', async () => {
    const answer = await session.screen('wp-admin/themes.php')
    const text = /_wpThemeSettings = (\{.*\});\s*$/m.exec(answer.text)?.[1]
    const themes = z.looseObject({ themes: z.array(themeSchema) }).safeParse(text === undefined ? text : parse(text))
    if (!themes.success)
      throw UnpackError.of(
        'screen-unexpected',
        { url: answer.url, wanted: 'the list of themes' },
        { page: answer.text },
      )
    return { themes: themes.data.themes }
  })

/** The token that installing from the catalogue and updating want; the screen of themes shows it too. */
export async function tokenOfUpdates(session: WordPressSession): Promise<string> {
  if (!session.tokens.has('updates')) await session.screen('wp-admin/themes.php')
  return session.tokens.get('updates') ?? ''
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** The theme in use. */
export const activeTheme = async (session: WordPressSession): Promise<Theme | undefined> =>
  (await themesOf(session)).themes.find(({ active }) => active)
