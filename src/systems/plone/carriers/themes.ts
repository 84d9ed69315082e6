import type { Carried, Carrier } from '../../step.js'
import { THEMES, themesOf } from '../themes.js'
import type { PloneSession } from '../session.js'

export type ThemeFields =
  | { go: 'import'; use: string; bytes?: Uint8Array; enable: boolean }
  | { go: 'enable'; use: string }
  | { go: 'delete'; use: string }

/** Themes go by forms alone, which answer as usual whether they were taken or not: what stands there tells. */
export const themes: Carrier<ThemeFields, PloneSession> = {
  name: 'themes',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session): Promise<Carried[]> {
    if (!load) return []
    const { go, use } = load
    if (go === 'import') {
      if (!load.bytes) return [{ refused: 'this system has no catalogue of themes: name an archive with “from:”' }]
      const themeArchive = { name: `${use}.zip`, type: 'application/zip', bytes: load.bytes }
      const form = { 'form.button.Import': '1', replaceExisting: 'on', ...(load.enable && { enableNewTheme: 'on' }) }
      await session.submit(THEMES, form, { themeArchive })
    } else if (go === 'enable') await session.submit(THEMES, { 'form.button.Enable': '1', themeName: use })
    else await session.submit(THEMES, { 'form.button.DeleteSelected': '1', 'themes:list': use })
    session.shelf.forget(THEMES)
    const now = (await themesOf(session)).find((one) => one.use === use)
    const done = go === 'delete' ? !now : now !== undefined && (now.active || (go === 'import' && !load.enable))
    return [done ? { id: use } : { refused: 'the form was answered as usual, and nothing of it was kept' }]
  },
}
