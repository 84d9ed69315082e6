import { tags as core } from '../../../core/areas/tags.js'
import { slugOf } from '../../../core/text/slug-of.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { tags as carrier } from '../carriers/tags.js'
import { nodesOf } from '../nodes.js'
import type { PloneSession } from '../session.js'

/** A tag is there as soon as something bears it, and no longer. */
export const tags: AreaOnSystem<'tags', PloneSession> = {
  keys: ['name', 'slug'],
  async read(session, baseline) {
    // others come and go with what bears them, and are told with that
    const planned = new Set(core.plan(baseline).map(({ item }) => item.slug))
    const names = new Set((await nodesOf(session)).all.flatMap(({ raw }) => raw.subjects ?? []))
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
