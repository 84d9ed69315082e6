import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import type { Answer } from '../../web/answer.js'
import type { Session } from '../system.js'

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

/** The data that a page of the public side starts its program with. */
export function pageIn(answer: Answer): Page | undefined {
  const start = answer.text.indexOf('misago.init(')
  if (start < 0) return undefined
  const script = answer.text.slice(start + 'misago.init('.length, answer.text.indexOf('</script>', start))
  try {
    return pageSchema.safeParse(JSON.parse(script.slice(0, script.lastIndexOf(')')))).data
  } catch {
    return undefined
  }
}

/** The front page as somebody sees it; read once until it is stale. */
export const pageOf = ({ visitor, shelf }: Session): Promise<Page> =>
  shelf.read('page', async () => {
    const answer = await visitor.get('')
    const page = pageIn(answer)
    if (page) return page
    throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: 'the page’s own data' }, { page: answer.text })
  })
