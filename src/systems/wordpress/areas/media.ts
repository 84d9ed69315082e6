import { z } from 'zod'
import type { AreaOnSystem } from '../../system.js'
import type { WordPressSession } from '../session.js'

const uploadSchema = z.looseObject({ id: z.number(), slug: z.string() })

export const media: AreaOnSystem<'media', WordPressSession> = {
  async read(session) {
    const uploads = await session.shelf.read('media', () =>
      session.list('media', uploadSchema, 'status=inherit,private'),
    )
    return uploads.map(({ id, slug }) => ({ id, item: { name: slug } }))
  },
}
