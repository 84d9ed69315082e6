import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { uploadsFor } from '../holders.js'
import { folderOf, joined, liveTree } from '../nodes.js'
import { orRefused } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { fileField } from '../texts.js'
import { makeIn, moveTo } from '../writing.js'

export interface UploadFields {
  /** One that stands elsewhere; a new one where left out. */
  id?: IdOf
  file: string
  type: string
  bytes: Uint8Array
  /** Who may see it: by name, and by what the group is known by here. */
  who: readonly { name: string; id: IdOf | string }[]
}

/** Uploads, each in the folder for those who may see it. */
export const uploads: Carrier<UploadFields, PloneSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const tree = await liveTree(session)
    const { id, file, type, bytes } = load
    const who = load.who.map((one) => ({ name: one.name, id: String(one.id) }))
    const put = async () => {
      const folder = await uploadsFor(session, tree, who)
      const address = `${session.visitor.home}${joined(folder, file)}`
      const there = id === undefined ? undefined : tree.at(id)
      if (there) {
        if (folderOf(there.path) !== folder) await moveTo(session, tree, there.path, folder)
        return { id: there.uid, address }
      }
      const [kind, key] = type.startsWith('image/') ? ['Image', 'image'] : ['File', 'file']
      const fields = { '@type': kind, id: file, title: file, [key]: fileField(file, type, bytes) }
      const { uid } = await makeIn(session, tree, folder, fields)
      return { id: uid, address }
    }
    return [await orRefused(put)]
  },
}
