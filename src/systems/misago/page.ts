import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import type { Answer } from '../../web/answer.js'
import { isWhole } from '../../web/reading.js'
import type { MisagoSession } from './session.js'

const right = z.union([z.boolean(), z.number()]).transform(Number)
const pageSchema = z.object({
  CATEGORIES: z.array(
    z.object({
      id: z.number(),
      parent: z.number().nullable(),
      name: z.string(),
      description: z.object({ plain: z.string() }).nullable(),
      is_closed: z.boolean(),
    }),
  ),
  SETTINGS: z.object({ account_activation: z.string(), captcha_type: z.string(), forum_name: z.string() }),
  user: z.object({
    is_authenticated: z.boolean(),
    acl: z.object({
      visible_categories: z.array(z.number()),
      browseable_categories: z.array(z.number()),
      categories: z.array(
        z.object({
          id: z.number(),
          can_start_threads: right,
          can_reply_threads: right,
          can_close_threads: right,
        }),
      ),
    }),
  }),
})
/** What the public side tells a browser of itself, and of what whoever looks may do. */
export type Page = z.output<typeof pageSchema>

/** The data that a page of the public side starts its program with; of a page that was answered with 200, and whole. */
export function pageIn(answer: Answer): Page | undefined {
  const start = answer.text.indexOf('misago.init(')
  if (start < 0 || answer.status !== 200 || !isWhole(answer.text)) return undefined
  const script = answer.text.slice(start + 'misago.init('.length, answer.text.indexOf('</script>', start))
  try {
    return pageSchema.safeParse(JSON.parse(script.slice(0, script.lastIndexOf(')')))).data
  } catch {
    return undefined
  }
}

/** The front page as the owner sees it; an ended session is renewed once. Read once until it is stale. */
export const pageOf = (session: MisagoSession): Promise<Page> =>
  session.shelf.read('page', async () => {
    const seen = await session.visitor.get('')
    const ended = pageIn(seen)?.user.is_authenticated === false
    if (ended) await session.renew()
    const answer = ended ? await session.visitor.get('') : seen
    const page = pageIn(answer)
    if (page?.user.is_authenticated) return page
    throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: 'the page’s own data' }, { page: answer.text })
  })
