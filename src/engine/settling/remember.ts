import { anyItem, areaOf, type AnyDifference, type Inventory } from '../../core/areas/index.js'
import { markOf, type LeftBehind } from '../../core/comparing/left.js'
import { foundAt } from '../../core/inventory.js'
import { areaIn } from '../../core/ref.js'
import { sampleRefs } from '../../core/samples.js'
import { itemDigest } from '../../core/text/digest.js'
import { abilitiesOf } from '../../systems/abilities.js'
import { keyOf as ownKeyOf, leftAsPlanned, ownedNow } from '../ownership.js'
import type { Run } from '../run.js'
import { REMOVED, stoodAt, under } from '../stood.js'
import type { Agenda } from './agenda.js'
import { sameIn } from './same.js'

/* What a run remembers of what it has left on a site. */

/** What was sent and can't be read back counts as settled as long as the plan says the same. */
export async function rememberUnseen(
  run: Run,
  inventory: Inventory,
  carried: readonly AnyDifference[],
  agenda: Agenda,
): Promise<void> {
  const can = abilitiesOf(run.site.system, run.baseline, inventory)
  const sent = carried.flatMap((difference): [string, LeftBehind][] => {
    if (difference.is === 'left over' || agenda.whyOf(difference.ref)) return []
    const changed: readonly string[] =
      difference.is === 'different' ? difference.fields : Object.keys(difference.wanted)
    const keys = changed
      .filter((key) => can(difference.area, key) === 'unseen')
      .map((key) => [key, markOf(areaOf(difference.area), key, anyItem(difference.wanted)[key])])
    return keys.length === 0 ? [] : [[difference.ref, Object.fromEntries(keys)]]
  })
  await run.state.leave(Object.fromEntries(sent))
}

/** What stands there as we wrote it is ours from now on: it is ours to replace when the baseline changes. */
export async function rememberAll(run: Run, agenda: Agenda, now: readonly AnyDifference[]): Promise<void> {
  const digests: { [ref: string]: string } = {}
  const samples: { [ref: string]: string } = {}
  const ofSample = sampleRefs(run.baseline)
  const { left, stands } = agenda
  const { state } = run
  for (const difference of agenda.chosen) {
    const { ref, is } = difference
    if (sameIn(left.differences, difference)) continue
    if (is === 'left over') {
      if (state.written(stoodAt(ref)) !== undefined) digests[stoodAt(ref)] = REMOVED
      continue
    }
    const item = foundAt(stands, ref)?.item
    const area = areaOf(difference.area)
    if (!item || area.list === 'one') continue
    digests[stoodAt(ref)] =
      is === 'missing' ? under(area.madeUnder?.(run.baseline)) : (state.written(stoodAt(ref)) ?? under())
    if (is === 'missing' && ofSample.has(ref)) samples[ref] = itemDigest(item)
  }
  if (Object.keys({ ...digests, ...samples }).length > 0) await state.remember(digests, samples)
  await state.own(
    ownedNow(
      stands,
      now.filter(({ ref }) => agenda.wasTaken(ref)),
    ),
  )
  await rememberAsPlanned(run, agenda)
}

/** Remembers the values that are as planned: a later change of one is a person's. */
export const rememberAsPlanned = ({ state }: Run, { left, stands }: Agenda): Promise<void> =>
  state.leave(leftAsPlanned(stands, left, (found) => state.isOurs(areaIn(found.ref), ownKeyOf(found))))
