import { z } from 'zod'
import type { Baseline } from '../../core/baseline/schema.js'
import { UnpackError } from '../../core/errors.js'
import type { Answer } from '../../web/answer.js'
import type { WordPressSession } from './session.js'

const themeSchema = z.looseObject({
  id: z.string(),
  name: z.string(),
  /** A link to the author's own site. */
  authorAndUri: z.string().nullish(),
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

const SCREEN = { has: 'body.themes-php .theme-browser', wanted: 'the screen of themes' }

/** What the screen of themes says of each, and its links to activate and remove it. */
export const themesOf = (session: WordPressSession) =>
  session.shelf.read('themes', async () => {
    const { answer } = await session.screen('wp-admin/themes.php', SCREEN)
    const text = /_wpThemeSettings = (\{.*\});\s*$/m.exec(answer.text)?.[1]
    const themes = z.looseObject({ themes: z.array(themeSchema) }).safeParse(text === undefined ? text : parse(text))
    if (!themes.success)
      throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: SCREEN.wanted }, { page: answer.text })
    return { themes: themes.data.themes }
  })

/** Asks for what has to do with updates and the catalogue, with the token that the screen of themes shows. */
export const askForUpdates = (session: WordPressSession, fields: Readonly<Record<string, string>>): Promise<Answer> =>
  session.send(async () => {
    if (!session.tokens.has('updates')) await session.screen('wp-admin/themes.php', SCREEN)
    const token = session.tokens.get('updates') ?? ''
    return session.visitor.post('wp-admin/admin-ajax.php', { ...fields, _ajax_nonce: token })
  })

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

/** The theme in use, where it is the planned one or none is planned: what another has is known when that is in use. */
export async function plannedTheme(
  session: WordPressSession,
  { theme: wanted }: Pick<Baseline, 'theme'>,
): Promise<Theme | undefined> {
  const theme = await activeTheme(session)
  return wanted === undefined || theme?.id === wanted.use ? theme : undefined
}
