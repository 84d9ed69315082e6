import { z } from 'zod'
import type { Id } from '../../../core/area.js'
import { jsonOf } from '../../../web/answer.js'
import type { Carried, Carrier, IdOf } from '../../step.js'
import { refusal, type WordPressSession } from '../session.js'

type Route = 'posts' | 'pages' | 'categories' | 'tags'

export interface ContentFields {
  route: Route
  /** Which item; a new one where left out. */
  id?: IdOf
  remove?: boolean
  body?: Readonly<Record<string, string | number | IdOf>>
}

const answers = z.object({ responses: z.array(z.object({ status: z.number(), body: z.unknown() })) })
const made = z.object({ id: z.number() })

/** Posts, pages and terms, many in one request. Each answer shows the item as it is stored now. */
export const content: Carrier<ContentFields, WordPressSession> = {
  name: 'content',
  side: 'dashboard',
  atOnce: 25,
  async carry(loads, session) {
    const requests = loads.map(({ route, id, remove, body }) => ({
      method: remove ? 'DELETE' : 'POST',
      path: `/wp/v2/${route}${id === undefined ? '' : `/${id}`}${remove ? '?force=true' : ''}`,
      ...(body ? { body } : {}),
    }))
    const answer = await session.rest('POST', '/batch/v1', '', { requests })
    session.shelf.forget(...new Set(loads.map(({ route }) => route)))
    // a removed post takes its comments along
    if (loads.some(({ route, remove }) => remove && (route === 'posts' || route === 'pages')))
      session.shelf.forget('comments')
    const read = answers.safeParse(jsonOf(answer)).data?.responses
    return loads.map((_, index): Carried => {
      const response = read?.[index]
      if (!response || response.status >= 400)
        return { refused: refusal(response?.status ?? answer.status, response?.body ?? jsonOf(answer)) }
      return { id: made.safeParse(response.body).data?.id as Id | undefined }
    })
  },
}
