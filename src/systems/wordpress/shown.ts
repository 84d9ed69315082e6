import { z } from 'zod'
import { jsonOf } from '../../web/answer.js'
import type { Visitor } from '../../web/visitor.js'

const listSchema = z.array(z.object({ id: z.number(), modified_gmt: z.string() }))

/**
 * What only this site shows to visitors: its posts and pages by number, and to the second when each was last changed. Shown
 * wherever it is looked at.
 */
export async function shownTo(visitor: Visitor): Promise<string | undefined> {
  const lists = await Promise.all(
    ['pages', 'posts'].map(async (route) => {
      const answer = await visitor.get(`?rest_route=/wp/v2/${route}&orderby=id&order=asc&per_page=50`)
      return answer.status === 200 ? listSchema.safeParse(jsonOf(answer)).data : undefined
    }),
  )
  const all = lists.flatMap((list) => list ?? [])
  return all.length === 0 || lists.includes(undefined)
    ? undefined
    : all.map(({ id, modified_gmt }) => `${id} ${modified_gmt}`).join('\n')
}
