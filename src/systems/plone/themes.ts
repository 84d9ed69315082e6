import type { PloneSession } from './session.js'

export const THEMES = '@@theming-controlpanel'
/** The system's own theme, on which others are built. */
export const OWN = 'barceloneta'

/** The themes that are there, and which of them is in use. */
export const themesOf = (session: PloneSession): Promise<{ use: string; active: boolean }[]> =>
  session.shelf.read(THEMES, async () => {
    const $ = await session.page(THEMES, { has: '#themesList .themeEntry', wanted: 'the list of themes' })
    return $('#themesList .themeEntry')
      .toArray()
      .map((entry) => ({ use: $(entry).attr('data-theme') ?? '', active: $(entry).hasClass('activeThemeEntry') }))
  })
