import { areas, slugOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { tags as carrier } from '../carriers/forms.js'
import { linesOf } from '../entries.js'

/** A tag is there as soon as something bears it, and no longer. */
export const tags: AreaOnSystem<'tags', StandInSession> = {
  keys: ['name', 'slug'],
  async read(session, baseline) {
    // others come and go with what bears them, and are told with that
    const planned = new Set(areas.tags.plan(baseline).map(({ item }) => item.slug))
    const rows = (await Promise.all([session.rows('pages'), session.rows('news')])).flat()
    const names = new Set(rows.flatMap(({ data }) => linesOf(data.tags)))
    const ours = [...names].filter((name) => planned.has(slugOf(name)))
    return ours.map((name) => ({ id: name, item: { name, slug: slugOf(name) } }))
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'missing'
        ? [Step.of(carrier, { name: difference.wanted.name }, { proves: [difference], gives: difference.ref })]
        : [],
    ),
}
