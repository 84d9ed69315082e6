import { z } from 'zod'
import type { WordPressSession } from './session.js'

const pluginSchema = z.looseObject({
  plugin: z.string(),
  status: z.string(),
  name: z.string(),
  version: z.string(),
})

export const pluginsOf = (session: WordPressSession) =>
  session.shelf.read('plugins', async () =>
    session.read(await session.rest('GET', '/wp/v2/plugins'), z.array(pluginSchema), 'the list of add-ons'),
  )
