import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carrier } from '../../step.js'
import { batch } from '../batch.js'
import { refusal, type WordPressSession } from '../session.js'
import { blockFor, sidebarPlaces } from '../sidebars.js'

export interface SidebarFields {
  place: string
  parts: readonly string[]
  /** Instead of parts: what stood in it, as it was. */
  widgets?: readonly { id_base: string; instance?: object | null }[]
}

const made = z.object({ id: z.string() })

/** A sidebar with exactly its parts: the new ones behind the old, which go in the same request. */
export const sidebars: Carrier<SidebarFields, WordPressSession> = {
  name: 'sidebars',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const places = await sidebarPlaces(session)
    const sidebar = places.get(load.place)
    if (!sidebar)
      return [{ refused: `the theme in use has no such sidebar; it has: ${[...places.keys()].join(', ') || 'none'}` }]
    const responses = await batch(session, [
      ...sidebar.widgets.map((id) => ({ method: 'DELETE' as const, path: `/wp/v2/widgets/${id}?force=true` })),
      ...(
        load.widgets ?? load.parts.map((part) => ({ id_base: 'block', instance: { raw: { content: blockFor(part) } } }))
      ).map(({ id_base, instance }) => ({
        method: 'POST' as const,
        path: '/wp/v2/widgets',
        body: { id_base, sidebar: sidebar.id, ...(instance && { instance }) },
      })),
    ])
    session.shelf.forget('sidebars', 'widgets')
    const failed = responses.find(({ status }) => status >= 400)
    if (failed) return [{ refused: refusal(failed.status, failed.body) }]
    // made in one request, the first is forgotten by the sidebar: it is told the whole list
    const widgets = responses.slice(sidebar.widgets.length).flatMap(({ body }) => made.safeParse(body).data?.id ?? [])
    const answer = await session.rest('POST', `/wp/v2/sidebars/${sidebar.id}`, '', { widgets })
    return [answer.status === 200 ? {} : { refused: refusal(answer.status, jsonOf(answer)) }]
  },
}
