import { z } from 'zod'
import { UnpackError } from '../../../core/errors.js'
import { documentOf } from '../../../web/reading.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { goneTopics } from '../carriers/topics.js'
import type { MisagoSession } from '../session.js'
import { treeOf } from '../tree.js'

const topicSchema = z.object({ id: z.number(), title: z.string(), category: z.number() })
type Topic = z.output<typeof topicSchema>
const listSchema = z.object({ results: z.array(topicSchema), next: z.number().nullish() })
const WANTED = 'the list of topics'

/** Topics are somebody's here: none ships. Only where the list of categories counts some, they are asked for. */
export const topics: AreaOnSystem<'topics', MisagoSession> = {
  keys: ['key', 'title', 'forum'],
  async read(session) {
    const tree = await treeOf(session)
    const lists = await Promise.all(
      tree
        .filter(({ topics: count }) => count > 0)
        .map(async (branch) => ({ branch, list: await topicsIn(session, branch.id) })),
    )
    return lists.flatMap(({ branch: { ref }, list }) =>
      list.map(({ id, title }) => ({ id, item: { key: String(id), title, forum: ref }, text: title })),
    )
  },
  readAgain(session, _found, baseline) {
    session.shelf.forget('tree', 'page', 'categories/')
    return this.read(session, baseline)
  },
  // none ships: only what a trial has left behind ever goes
  translate: (differences) =>
    differences.map((difference) => Step.of(goneTopics, { id: idOf(difference.ref) }, { proves: [difference] })),
}

/** Pages of a list that are looked through for the first topic of a category. */
const MOST_PAGES = 40

/**
 * Topics of a category itself, enough of them to know that somebody writes there: its list holds those of the forums in it as
 * well. The dashboard has counted some, so a list without any is not the one that was asked for: it may be a stranger's view.
 */
export async function topicsIn(session: MisagoSession, category: number): Promise<Topic[]> {
  let place = `api/threads/?category=${category}`
  for (let page = 1; page <= MOST_PAGES; page += 1) {
    const answer = await session.visitor.get(place)
    const { results, next } = documentOf(answer, listSchema, WANTED)
    const own = results.filter((one) => one.category === category)
    if (own.length > 0) return own
    if (next == null || results.length === 0)
      throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: WANTED }, { page: answer.text })
    place = `api/threads/?category=${category}&start=${next}`
  }
  throw UnpackError.of('screen-unexpected', { url: `${session.visitor.home}${place}`, wanted: WANTED })
}
