import { z } from 'zod'
import type { Id, ReadItem } from '../../core/area.js'
import type { Kept } from '../area-on-system.js'
import { Step } from '../step.js'
import { again } from './carriers/again.js'
import { itemSchema } from './nodes.js'
import type { PloneSession } from './session.js'
import { storedText } from './texts.js'

const rawSchema = z.looseObject({ '@id': z.string(), '@type': z.string(), id: z.string() })
const copySchema = z.object({ item: rawSchema, text: rawSchema.optional() })

/** Makes an item again from what was kept of it, in the folder that it stood in. */
export function itemAgain({ ref, copy, bytes }: Kept): Step {
  const { item, text } = copySchema.parse(copy)
  return Step.of(again, { item, ...(text && { text }), ...(bytes && { bytes }) }, { proves: [], gives: ref })
}

/** As far as it is looked at once more. */
type Written = { title: string; slug: string }
const numbered = z.object({ UID: z.string() })
const copyNow = z.object({ item: numbered, text: numbered.optional() })
const listSchema = z.object({ items: z.array(itemSchema), items_total: z.number() })

/**
 * What a person may have written in items, as it stands now, wherever they stand; those that have gone are left out. Where an item
 * stands, and its state, our own work on another may have changed: a page that gets one below it becomes the text of a folder.
 */
export async function itemsNow(
  session: PloneSession,
  found: readonly { id: Id; copy?: unknown }[],
): Promise<ReadItem<Written>[]> {
  const copies = found.map(({ id, copy }) => ({ id, ...copyNow.parse(copy) }))
  const uids = copies.flatMap(({ item, text }) => [item.UID, ...(text ? [text.UID] : [])])
  const asked = uids.map((uid) => `UID=${encodeURIComponent(uid)}`).join('&')
  const all = await session.list(`@search?fullobjects=1&${asked}`, listSchema, 'some items of the site')
  const byUid = new Map(all.map((raw) => [raw.UID, raw]))
  return copies.flatMap(({ id, item, text }) => {
    const [own, inside] = [byUid.get(item.UID), text && byUid.get(text.UID)]
    if (!own || (text && !inside)) return []
    const body = (inside ?? own).text?.data
    return [
      {
        id,
        item: { title: own.title ?? '' } as Written,
        stored: {
          summary: own.description ?? '',
          ...(body !== undefined && { body: storedText(body, session.visitor.home) }),
        },
      },
    ]
  })
}
