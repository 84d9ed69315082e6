import { unescaped } from '../../../core/text/percent.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { birthOf, isEarly } from '../birth.js'
import { media as carrier } from '../carriers/media.js'
import { mediaOf, uploadSchema } from '../items.js'
import type { WordPressSession } from '../session.js'

export const media: AreaOnSystem<'media', WordPressSession> = {
  keys: ['name'],
  async read(session) {
    const uploads = await mediaOf(session)
    const birth = uploads.length > 0 ? await birthOf(session) : undefined
    return uploads.map((upload) => {
      const { id, slug, status, mime_type, source_url } = upload
      // an archive that waits for an answer, or that failed, is left there by the system itself
      const left = status === 'private' && mime_type === 'application/zip'
      const early = birth !== undefined && isEarly(upload, birth)
      return {
        id,
        item: { name: slug },
        address: source_url,
        copy: { ...upload, _links: undefined },
        file: source_url,
        ...(early && { marks: { place: false, untouched: true, known: false, early } }),
        ...(left && { marks: { place: true, untouched: true, known: true, hidden: true } }),
      }
    })
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      if (difference.is === 'left over') return [Step.of(carrier, { remove: idOf(difference.ref) }, { proves })]
      const upload = Object.values(baseline.uploads).find(({ name }) => name === difference.wanted.name)
      return upload
        ? [
            Step.of(
              carrier,
              { file: upload.file, type: upload.type, bytes: upload.bytes },
              { proves, gives: difference.ref },
            ),
          ]
        : []
    }),
  again({ ref, copy, bytes = new Uint8Array() }) {
    const { source_url, mime_type, title, caption, description, alt_text } = uploadSchema.parse(copy)
    const file = unescaped(source_url.split('/').at(-1) ?? 'upload')
    const words = {
      title: title?.raw ?? '',
      caption: caption?.raw ?? '',
      description: description?.raw ?? '',
      alt_text,
    }
    return Step.of(carrier, { file, type: mime_type, bytes, words }, { proves: [], gives: ref })
  },
}
