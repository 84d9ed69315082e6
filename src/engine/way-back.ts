import { dequal } from 'dequal'
import { areaNames, areaOf, type AnyDifference, type AnyItem, type Inventory } from '../core/areas/index.js'
import type { Value } from '../core/area.js'
import { isAsLeft, storedIn } from '../core/comparing/left.js'
import { isAsked } from '../core/comparing/ownership.js'
import type { SomeFound } from '../core/comparing/result.js'
import { foundAt } from '../core/inventory.js'
import { areaIn } from '../core/ref.js'
import type { Secret } from '../core/secret.js'
import { makePassword } from '../logins/password.js'
import { onSystem } from '../systems/abilities.js'
import type { Step } from '../systems/step.js'
import type { Copy } from './record-reading.js'
import type { Run } from './run.js'

export const areaNamed = (ref: string) => areaNames.find((name) => name === areaIn(ref))

/** What is written over by giving something back. */
export interface Overwritten {
  found: { item: AnyItem; copy: unknown }
  was: JsonItem
  wanted: JsonItem
}
type JsonItem = Record<string, Value>
interface Way {
  steps: Step[]
  over?: Overwritten
}

/** The steps that give something back; or why there are none. */
export async function wayBack(
  run: Run,
  { ref, is, item, copy, bytes, wrote }: Copy,
  inventory: Inventory,
  secrets: { [ref: string]: Secret },
): Promise<Way | string> {
  const name = areaNamed(ref)
  const way = name && onSystem(run.site.system, name)
  if (!name || !way) return 'this system can’t be given it again'
  const area = areaOf(name)
  const here = { firstRun: false, baseline: run.baseline, inventory }
  const found = foundAt(inventory, ref) as SomeFound | undefined
  if (is === 'different') {
    if (!found) return 'it is not there any more'
    const isSame = (key: string, value: Value | undefined) =>
      area.same?.(key, value ?? '', found.item[key] ?? '') ?? dequal(value ?? '', found.item[key] ?? '')
    const fields = area.keys.filter((key) => key in wrote && !isSame(key, item[key]))
    if (fields.length === 0) return 'it stands there as it was'
    const isOurs = (key: string) => {
      const mark = run.state.left(ref)?.[key]
      return isSame(key, wrote[key]) || (mark !== undefined && isAsLeft(area, key, mark, storedIn(found, key)))
    }
    const later = isAsked(run.options.again, ref) ? [] : fields.filter((key) => !isOurs(key))
    if (later.length > 0) {
      const what = later.map((key) => area.say?.(key) ?? key).join(', ')
      return `${what} was changed since that run: it stays as it is now, and nothing was given back (undo with “again” writes over it)`
    }
    const wanted = Object.fromEntries(area.keys.flatMap((key) => pairOf(key, fields.includes(key) ? item : found.item)))
    const difference = { area: name, ref, is, found, wanted, fields } as unknown as AnyDifference
    const of = (from: AnyItem): JsonItem => Object.fromEntries(fields.map((key) => [key, from[key] ?? null]))
    return {
      steps: way.translate?.([difference as never], here) ?? [],
      over: { found: { item: found.item, copy: found.copy }, was: of(found.item), wanted: of(item) },
    }
  }
  const { unkept } = area
  if (unkept !== undefined) return `it can’t be given back: ${unkept}`
  if (found) return 'something stands there already'
  const username = area.account?.(item)
  if (username !== undefined) secrets[ref] = await newPassword(run, username)
  if (way.again) return { steps: [way.again({ ref, item, copy, bytes })].flat() }
  const difference = { area: name, ref, is: 'missing', wanted: item } as unknown as AnyDifference
  const steps = way.translate?.([difference as never], here) ?? []
  return steps.length === 0 ? 'this system can’t be given it again' : { steps }
}

const pairOf = (key: string, item: AnyItem): [string, Value][] => {
  const value = item[key]
  return value === undefined ? [] : [[key, value]]
}

/** An account that is made again gets a password of its own: the old one is nowhere kept. */
async function newPassword(run: Run, username: string): Promise<Secret> {
  const password = makePassword(run.site.system.password)
  run.account.guard.add(password)
  await run.options.logins.put(run.site.home, username, password)
  return password
}
