import { z } from 'zod'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { carried, type EverShopSession } from '../session.js'

const made = z.object({ data: z.object({ files: z.array(z.object({ name: z.string(), url: z.string() })).min(1) }) })

/** A file of the same name would be overwritten without a word: ours have their content in their names. */
export const uploads: Carrier<{ name: string; type: string; bytes: Uint8Array }, EverShopSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const sent = await session.write('POST', 'api/images/catalog', { parts: { images: load } })
    session.shelf.forget('files')
    if (sent.refused !== undefined) return [sent]
    const [file] = made.parse(sent.data).data.files
    return [{ id: file?.name, address: file?.url }]
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
