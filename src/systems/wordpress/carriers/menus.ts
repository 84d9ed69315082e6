import { z } from 'zod'
import { jsonOf } from '../../../web/answer.js'
import type { Carried, Carrier } from '../../step.js'
import { batch } from '../batch.js'
import { blocksOf, partFor, placesOf, withMenu } from '../block-menus.js'
import { entryRequests, lacksPlace, menuPlans, type MenuFields, type MenuLoad } from '../menu-plan.js'
import { locationsOf, menuItemsOf, navigationsOf, partsOf, placedMenusOf } from '../menus.js'
import { refusal, type WordPressSession } from '../session.js'
import { activeTheme } from '../themes.js'

/** Menus at their places, with exactly their entries. */
export const menus: Carrier<MenuFields, WordPressSession> = {
  name: 'menus',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    if ((await activeTheme(session))?.blockTheme) {
      const outcomes: Carried[] = []
      for (const load of loads) outcomes.push(await putBlocks(load, session))
      session.shelf.forget('navigation', 'parts')
      return outcomes
    }
    const outcomes = await putPlaced(loads, session)
    session.shelf.forget('menus', 'menu-items', 'menu-locations')
    return outcomes
  },
}

const made = z.looseObject({ id: z.number() })
/** A menu of that name is there already: made by a run that was killed. */
const taken = z.looseObject({ data: z.looseObject({ term_id: z.number() }) })
const numberIn = (body: unknown): number | undefined =>
  made.safeParse(body).data?.id ?? taken.safeParse(body).data?.data.term_id

/** Two requests for all menus: the menus themselves, and what stands in them. */
async function putPlaced(loads: readonly MenuLoad[], session: WordPressSession): Promise<Carried[]> {
  const [locations, standing] = await Promise.all([locationsOf(session), placedMenusOf(session)])
  const plans = menuPlans(loads, locations, standing)
  const puts = plans.flatMap((plan) => ('put' in plan ? [plan.put] : []))
  const answers = await batch(session, puts)
  const menus = plans.map((plan): { menu: number } | { refused: string } => {
    if ('lacks' in plan) return { refused: plan.lacks }
    if (!('put' in plan)) return plan
    const answer = answers[puts.indexOf(plan.put)]
    const menu = plan.menu !== undefined && answer && answer.status < 400 ? plan.menu : numberIn(answer?.body)
    return menu === undefined ? { refused: refusal(answer?.status ?? 0, answer?.body) } : { menu }
  })
  const old = plans.some((plan) => 'menu' in plan && plan.menu !== undefined) ? await menuItemsOf(session) : []
  const requests = loads.map(({ entries }, index) => {
    const one = menus[index]
    return one && 'menu' in one ? entryRequests(one.menu, entries, old) : []
  })
  const all = await batch(session, requests.flat())
  let from = 0
  return menus.map((one, index): Carried => {
    const own = all.slice(from, (from += requests[index]?.length ?? 0))
    if ('refused' in one) return one
    const failed = own.find(({ status }) => status >= 400)
    return failed ? { refused: refusal(failed.status, failed.body) } : {}
  })
}

/** The menu, and the part of the theme that shows it. */
async function putBlocks({ place, entries }: MenuLoad, session: WordPressSession): Promise<Carried> {
  const [parts, all] = await Promise.all([partsOf(session), navigationsOf(session)])
  const part = partFor(place, parts)
  if (!part) return { refused: lacksPlace(placesOf(parts)) }
  const there = all.find(({ slug }) => slug === place)
  const answer = await session.rest('POST', `/wp/v2/navigation${there ? `/${there.id}` : ''}`, '', {
    title: place,
    slug: place,
    status: 'publish',
    content: blocksOf(entries),
  })
  const menu = made.safeParse(jsonOf(answer)).data?.id
  if (answer.status >= 400 || menu === undefined) return { refused: refusal(answer.status, jsonOf(answer)) }
  const put = await session.rest('POST', `/wp/v2/template-parts/${part.id}`, '', { content: withMenu(part, menu) })
  return put.status >= 400 ? { refused: refusal(put.status, jsonOf(put)) } : {}
}
