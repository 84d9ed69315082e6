import { z } from 'zod'
import { documentOf } from '../../../web/reading.js'
import type { Carrier } from '../../step.js'
import { refusal } from '../refusal.js'
import type { PloneSession } from '../session.js'

/** What a new site is made with. */
export interface FirstRunFields {
  title?: string
  description?: string
  default_language?: string
  portal_timezone?: string
  site_logo?: string
  setup_content?: boolean
}

/** Makes this site on its server: the one request that goes to the server, and not below the site's own address. */
export const firstRun: Carrier<FirstRunFields, PloneSession> = {
  name: 'first-run form',
  side: 'first-run',
  atOnce: Infinity,
  async carry(loads, session) {
    const { default_language: language, ...rest } = Object.assign({}, ...loads) as FirstRunFields
    const known = language === undefined || (await languagesAt(session)).includes(language)
    // one that there isn't is told when the site stands
    const fields = { ...rest, ...(known && { default_language: language }) }
    const answer = await session.rest(
      'POST',
      '@sites',
      { distribution: 'classic', site_id: siteId(session.visitor.address.base), ...fields },
      { at: session.server },
    )
    session.shelf.forget()
    return loads.map(() => (answer.status === 200 || answer.status === 201 ? {} : { refused: refusal(answer) }))
  },
}

const formSchema = z.object({
  schema: z.object({
    definitions: z.object({ languages: z.object({ anyOf: z.array(z.object({ enum: z.array(z.string()) })) }) }),
  }),
})
/** The languages that a new site can have. */
async function languagesAt(session: PloneSession): Promise<string[]> {
  const answer = await session.rest('GET', '@sites/classic', undefined, { at: session.server })
  return documentOf(answer, formSchema, 'what a new site can have').schema.definitions.languages.anyOf.flatMap(
    (one) => one.enum,
  )
}

/** What a site is called on its server: the last part of its address. */
export const siteId = (base: string): string =>
  base
    .split('/')
    .filter((part) => part !== '')
    .at(-1) ?? ''
