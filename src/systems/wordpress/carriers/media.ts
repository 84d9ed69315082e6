import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'

export type MediaFields =
  { file: string; type: string; bytes: Uint8Array; words?: Readonly<Record<string, string>> } | { remove: IdOf }

const made = z.object({ id: z.number(), source_url: z.string() })

/** Uploads: a file a request, as it is. */
export const media: Carrier<MediaFields, WordPressSession> = {
  name: 'uploads',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const answer =
      'remove' in load
        ? await session.rest('DELETE', `/wp/v2/media/${load.remove}`, 'force=true')
        : await session.rest('POST', '/wp/v2/media', '', undefined, {
            file: { name: load.file, type: load.type, bytes: load.bytes },
            // a name in other letters goes as RFC 8187 has it
            headers: {
              'content-disposition': /^[\x20-\x7e]+$/.test(load.file)
                ? `attachment; filename="${load.file.replaceAll('"', '')}"`
                : `attachment; filename*=UTF-8''${encodeURIComponent(load.file)}`,
            },
          })
    session.shelf.forget('media')
    if (answer.status >= 400) {
      const code = refusal(answer.status, jsonOf(answer))
      return [{ refused: answer.status === 413 ? `${code}: the file is larger than this server takes` : code }]
    }
    const read = made.safeParse(jsonOf(answer)).data
    if ('words' in load && load.words && read) {
      const told = await session.rest('POST', `/wp/v2/media/${read.id}`, '', load.words)
      if (told.status >= 400) return [{ refused: refusal(told.status, jsonOf(told)) }]
    }
    return [{ id: read?.id, address: read?.source_url }]
  },
}
