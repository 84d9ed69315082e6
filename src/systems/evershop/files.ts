import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import type { EverShopSession } from './session.js'

const listed = z.object({
  data: z.object({ files: z.array(z.object({ name: z.string(), url: z.string() })) }),
})
/** What it answers for a folder that is made with the first file. */
const none = z.object({ error: z.object({ message: z.string().regex(/path does not exist/) }) })

/** The files beside the shop's pictures: read once until that is stale. */
export const filesOf = (session: EverShopSession): Promise<{ name: string; url: string }[]> =>
  session.shelf.read('files', async () => {
    const { url, status, document } = await session.read('api/files/catalog')
    const read = listed.safeParse(document).data
    if (status === 200 && read) return read.data.files
    if (status === 500 && none.safeParse(document).success) return []
    throw UnpackError.of('screen-unexpected', { url, wanted: 'the list of files' })
  })
