import { z } from 'zod'
import type { AreaOnSystem } from '../../system.js'
import type { WordPressSession } from '../session.js'

const addOnSchema = z.looseObject({ plugin: z.string(), status: z.string() })
const shipped = new Set(['akismet/akismet', 'hello', 'hello-dolly/hello'])

export const addOns: AreaOnSystem<'addOns', WordPressSession> = {
  async read(session) {
    const addOns = await session.shelf.read('plugins', async () =>
      session.read(await session.rest('GET', '/wp/v2/plugins'), z.array(addOnSchema)),
    )
    return addOns.map(({ plugin, status }) => ({
      id: plugin,
      item: { use: plugin.replace(/\/.*/, ''), active: status !== 'inactive' },
      marks: { place: shipped.has(plugin), untouched: status === 'inactive', known: true },
    }))
  },
}
