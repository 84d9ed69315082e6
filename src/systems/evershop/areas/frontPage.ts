import { z } from 'zod'
import type { AreaOnSystem } from '../../area-on-system.js'
import { bodyOf } from '../../later.js'
import { Step } from '../../step.js'
import { htmlOfRows } from '../blocks.js'
import { widgets } from '../carriers/widgets.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { places, widgetOf } from '../widgets.js'

const settingsSchema = z.looseObject({ text: z.string() })
const never = { never: 'the front page of this system is no page of its own, and lists no posts; it can have a text' }

export const frontPage: AreaOnSystem<'frontPage', EverShopSession> = {
  can: { page: never, posts: never },
  async read(session) {
    const own = widgetOf(places.front, await shopOf(session))
    const text = settingsSchema.safeParse(own?.rawSettings).data?.text ?? '[]'
    const body = own?.status === 1 ? htmlOfRows(parsed(text)) : ''
    return [{ id: own?.uuid ?? 'frontPage', item: { page: '', posts: '', body }, copy: { body } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over' || difference.wanted.body === undefined) return []
      return [Step.of(widgets, { place: places.front, text: bodyOf(difference.wanted.body) }, { proves: [difference] })]
    }),
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}
