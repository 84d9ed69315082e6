import { z } from 'zod'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { uploads, uploadsGone } from '../carriers/uploads.js'
import { filesOf } from '../files.js'
import type { EverShopSession } from '../session.js'

const types: Readonly<Record<string, string>> = {
  png: 'image/png',
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  gif: 'image/gif',
  webp: 'image/webp',
}
const copySchema = z.object({ name: z.string() })

export const media: AreaOnSystem<'media', EverShopSession> = {
  keys: ['name'],
  async read(session) {
    const files = await filesOf(session)
    return files.map(({ name, url }) => ({
      id: name,
      item: { name: name.replace(/\.[^.]*$/, '') },
      ...{ address: url, copy: { name }, file: new URL(url, session.visitor.home).href },
    }))
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      if (difference.is === 'left over') return [Step.of(uploadsGone, { id: idOf(difference.ref) }, { proves })]
      const upload = Object.values(baseline.uploads).find(({ name }) => name === difference.wanted.name)
      if (!upload) return []
      const { file: name, type, bytes } = upload
      return [Step.of(uploads, { name, type, bytes }, { proves, gives: difference.ref })]
    }),
  again({ ref, copy, bytes = new Uint8Array() }) {
    const { name } = copySchema.parse(copy)
    const type = types[name.split('.').at(-1) ?? ''] ?? 'application/octet-stream'
    return Step.of(uploads, { name, type, bytes }, { proves: [], gives: ref })
  },
}
