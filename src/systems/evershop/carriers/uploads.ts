import { z } from 'zod'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { carried, type EverShopSession } from '../session.js'

const made = z.object({ data: z.object({ files: z.array(z.object({ name: z.string(), url: z.string() })).min(1) }) })

/** Files that the system takes at once. */
const AT_ONCE = 20

/** A file of the same name would be overwritten without a word: ours have their content in their names. */
export const uploads: Carrier<{ name: string; type: string; bytes: Uint8Array }, EverShopSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: AT_ONCE,
  async carry(loads, session) {
    const sent = await session.write('POST', 'api/images/catalog', { parts: { images: loads } })
    session.shelf.forget('files')
    const { refused } = sent
    if (refused !== undefined) return loads.map(() => ({ refused }))
    const { files } = made.parse(sent.data).data
    return loads.map(({ name }) => {
      const file = files.find((one) => one.name === name)
      return file ? { id: file.name, address: file.url } : { refused: 'it is not among the files that were taken' }
    })
  },
}

export const uploadsGone: Carrier<{ id: IdOf }, EverShopSession> = {
  name: 'uploads that go',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    session.shelf.forget('files')
    return [carried(await session.write('DELETE', `api/files/catalog/${encodeURIComponent(String(load.id))}`))]
  },
}
