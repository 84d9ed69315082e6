import { z } from 'zod'
import type { Carrier } from '../../step.js'
import { jsonOf } from '../../../web/answer.js'
import { forgetNodes, folderOf, joined, nodesOf } from '../nodes.js'
import { orRefused, refusal, taken } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { fileField, richText } from '../texts.js'

type Raw = Readonly<Record<string, unknown>> & { '@id': string; '@type': string; id: string }
export interface AgainFields {
  item: Raw
  text?: Raw
  bytes?: Uint8Array
}

/** What of an item is said again: what it is made of, and nothing that the system works out. */
const KEPT = [
  'title',
  'description',
  'subjects',
  'exclude_from_nav',
  'start',
  'end',
  'location',
  'remoteUrl',
  'effective',
  'allow_discussion',
]
const textSchema = z.object({ data: z.string() }).nullish()
const madeSchema = z.looseObject({ '@id': z.string(), UID: z.string(), id: z.string() })
const namedSchema = z.looseObject({ filename: z.string(), 'content-type': z.string() })

/** Makes an item again from what was kept of it, in the folder that it stood in, and published where it was. */
export const again: Carrier<AgainFields, PloneSession> = {
  name: 'what is made again',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { item, text, bytes } = load
    const place = item['@id'].slice((await nodesOf(session)).root.length + 1)
    const make = async (raw: Raw, parent: string) => {
      const kept = Object.fromEntries(
        KEPT.flatMap((key) => (raw[key] === undefined || raw[key] === null ? [] : [[key, raw[key]]])),
      )
      const body = textSchema.safeParse(raw.text).data
      const key = raw['@type'] === 'Image' ? 'image' : 'file'
      const named = namedSchema.safeParse(raw[key]).data
      return session.rest('POST', parent, {
        '@type': raw['@type'],
        id: raw.id,
        ...kept,
        ...(body && { text: richText(body.data) }),
        ...(named && bytes && { [key]: fileField(named.filename, named['content-type'], bytes) }),
      })
    }
    const answer = await make(item, folderOf(place))
    if (answer.status !== 201) return [{ refused: refusal(answer) }]
    const rest = await orRefused(async () => {
      if (text && text['@id'] !== item['@id']) taken(await make(text, place))
      if (item.review_state === 'published')
        taken(await session.rest('POST', joined(place, '@workflow/publish'), text ? { include_children: true } : {}))
      return {}
    })
    forgetNodes(session)
    if (rest.refused !== undefined) return [rest]
    const made = madeSchema.safeParse(jsonOf(answer)).data
    const own =
      text && text['@id'] !== item['@id'] ? (await nodesOf(session)).on(joined(place, text.id))?.uid : undefined
    return [{ id: own ?? made?.UID, address: `${session.visitor.home}${place}` }]
  },
}
