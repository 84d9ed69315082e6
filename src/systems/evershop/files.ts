import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import type { EverShopSession } from './session.js'

const listed = z.object({
  data: z.object({ files: z.array(z.object({ name: z.string(), url: z.string() })) }),
})
/** What it answers for a folder that is made with the first file. */
const none = z.object({ error: z.object({ message: z.string().regex(/path does not exist/) }) })
const tellsNone = (answer: Answer): boolean => answer.status === 500 && none.safeParse(jsonOf(answer)).success

/** The files beside the shop's pictures: read once until that is stale. */
export const filesOf = (session: EverShopSession): Promise<{ name: string; url: string }[]> =>
  session.shelf.read('files', async () => {
    const answer = await session.read('api/files/catalog', tellsNone)
    const read = listed.safeParse(jsonOf(answer)).data
    if (answer.status === 200 && read) return read.data.files
    if (tellsNone(answer)) return []
    throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: 'the list of files' })
  })
