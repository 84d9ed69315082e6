import type { Comparison } from 'unpack'
import { snapshot, thingsOf, type Snapshot } from './snapshot.js'
import type { Plan, Site, Thing } from './site.js'

/** A thing with its key, `pages/12`, and its room. */
export type Placed = { key: string; room: string; thing: Thing }

/** Everything on a site, its settings as well. */
export const everythingOn = (site: Site): Placed[] => [
  ...thingsOf(site),
  { key: 'settings/site', room: 'settings', thing: site.settings() },
]

/** Planned fields that a thing does not have, in words. `undefined` where the ref is not this thing's. */
function differences(site: Site, plan: Plan, ref: string, { room, thing }: Placed): string[] | undefined {
  const fields = Object.entries(site.expects(ref, plan.get(ref) ?? {}, plan))
  const isIt =
    room === 'settings'
      ? fields.some(([field]) => site.refOf(room, thing, field) === ref)
      : site.refOf(room, thing) === ref
  if (!isIt) return undefined
  return fields
    .filter(([field, value]) => JSON.stringify(thing[field]) !== JSON.stringify(value))
    .map(([field, value]) => `${field} is ${JSON.stringify(thing[field])}, not ${JSON.stringify(value)}`)
}

/** Whether a plan wants something else of a thing than it is. */
export const isDue = (site: Site, plan: Plan, one: Placed): boolean =>
  [...plan.keys()].some((ref) => (differences(site, plan, ref, one) ?? []).length > 0)

/**
 * What is not as planned after a run that reported success, and was not reported either.
 * @param mayDiffer whether a person's hand, or a run that was undone, explains the difference
 */
export function unreported(
  site: Site,
  plan: Plan,
  comparison: Comparison,
  mayDiffer: (key: string) => boolean,
): string[] {
  const { kept, byHand, unseen, never, notHere, notes, theirTexts, theirKeys, others } = comparison
  const reported = new Set(
    [...kept, ...byHand, ...unseen, ...never, ...notHere, ...notes]
      .map(({ ref }) => ref)
      .concat(theirTexts, theirKeys, others)
      .map((ref) => ref.split('#')[0] ?? ''),
  )
  const all = everythingOn(site)
  return [...plan].flatMap(([ref, values]) => {
    if (Object.keys(site.expects(ref, values, plan)).length === 0) return []
    const found = all.flatMap((one) => {
      const wrong = differences(site, plan, ref, one)
      return wrong ? [{ one, wrong }] : []
    })
    if (found.some(({ wrong }) => wrong.length === 0)) return []
    const text = `${ref}: ${found.flatMap(({ wrong }) => wrong).join('; ') || 'not there'}`
    if (!reported.has(ref)) return [`reported as planned: ${text}`]
    const only = found.length === 1 ? found[0] : undefined
    return only && !mayDiffer(only.one.key) ? [`left as it is, and nobody has changed it: ${text}`] : []
  })
}

/** What is otherwise on a site than before. */
export function changes(before: Snapshot, site: Site): string[] {
  const after = snapshot(site)
  const changed = [...after].flatMap(([key, fields]) =>
    [...fields].filter(([field, value]) => before.get(key)?.get(field) !== value).map(([field]) => `${key}#${field}`),
  )
  return [...changed, ...[...before.keys()].filter((key) => !after.has(key)).map((key) => `${key} is gone`)]
}
