import { z } from 'zod'
import { UnpackError } from '../../../core/errors.js'
import { jsonOf } from '../../../web/answer.js'
import type { AreaOnSystem } from '../../system.js'
import type { MisagoSession } from '../session.js'
import { treeOf } from '../tree.js'

const listSchema = z.object({ results: z.array(z.object({ id: z.number(), title: z.string(), category: z.number() })) })

/** Topics are somebody's here: none ships. Only where the list of categories counts some, they are asked for. */
export const topics: AreaOnSystem<'topics', MisagoSession> = {
  async read(session) {
    const tree = await treeOf(session)
    const lists = await Promise.all(
      tree.filter(({ topics: count }) => count > 0).map(({ id }) => topicsIn(session, id)),
    )
    const refs = new Map(tree.map(({ id, ref }) => [id, ref]))
    return lists.flatMap((list, index) =>
      list
        // a category lists those of its forums too
        .filter(({ category }) => category === tree.filter(({ topics: count }) => count > 0)[index]?.id)
        .map(({ id, title, category }) => ({ id, item: { key: String(id), title, forum: refs.get(category) ?? '' } })),
    )
  },
}

/** The first page of a category's topics: enough to know that somebody writes there. */
export async function topicsIn(
  session: MisagoSession,
  category: number,
): Promise<z.output<typeof listSchema>['results']> {
  const answer = await session.visitor.get(`api/threads/?category=${category}`)
  const list = listSchema.safeParse(jsonOf(answer))
  if (list.success) return list.data.results
  throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: 'the list of topics' }, { page: answer.text })
}
