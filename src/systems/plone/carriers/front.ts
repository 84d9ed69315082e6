import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { IdOf, TextOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { liveTree, staleNodes } from '../nodes.js'
import { refusal } from '../refusal.js'
import type { PloneSession } from '../session.js'
import { richText, textToSend } from '../texts.js'

export interface FrontFields {
  /** A page at the top, or '' for the site's own text. */
  page?: IdOf | ''
  body?: TextOf
}
const saidSchema = z.object({ status: z.string(), msg: z.string().optional() })

/** What visitors see first: the site's own text, or a page that stands at the top. */
export const front: Carrier<FrontFields, PloneSession> = {
  name: 'front page',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { page, body } = load
    staleNodes(session)
    session.shelf.forget('')
    if (body !== undefined || page === '') {
      const text = body === undefined ? {} : { text: richText(textToSend(body, '', 0, session.visitor.home)) }
      const fields = { ...text, ...(page === '' && { layout: 'document_view' }) }
      const answer = await session.rest('PATCH', '', { ...fields, ...(await session.language()) })
      if (answer.status !== 204) return [{ refused: refusal(answer) }]
    }
    if (page === undefined || page === '') return [{}]
    const id = (await liveTree(session)).page(page)?.path
    if (id === undefined) return [{ refused: 'it is no longer there' }]
    const answer = await session.submit('@@fc-setDefaultPage', { id })
    const said = saidSchema.safeParse(jsonOf(answer)).data
    return [said?.status === 'success' ? {} : { refused: said?.msg ?? `HTTP ${answer.status}` }]
  },
}
