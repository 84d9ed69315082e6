import type { Plan, Plannable, Site } from './site.js'
import { aboveOf, nth } from './values.js'

type Values = Readonly<Record<string, unknown>>

/** @param planned which items the plan contains, a bit each; those of every plan are added */
export function firstPlan({ plannable, always }: Site, planned: number): Plan {
  const refs = new Set(
    plannable.filter(({ ref }, index) => always.includes(ref) || (planned >> index) % 2 === 1).map(({ ref }) => ref),
  )
  const first = ({ values }: Plannable): Values =>
    Object.entries(values).reduce<Values>((all, [key, [value]]) => withKey(all, key, value), {})
  return new Map(plannable.filter(({ ref }) => refs.has(ref) && isBelow(refs, ref)).map((one) => [one.ref, first(one)]))
}

/** The plan with a change to one of its items: another value, gone, or new. */
export function changePlan(
  { plannable, always }: Site,
  plan: Plan,
  [which, key, choice]: readonly [number, number, number],
): { plan: Plan; ref: string } {
  const { ref = '', values = {} } = nth(plannable, which) ?? {}
  const changed = new Map(plan)
  const known = plan.get(ref)
  const keys = Object.keys(values)
  const choose = (all: Values, name: string) => withKey(all, name, nth(values[name] ?? [], choice))
  if (known && choice % 5 === 0 && !always.includes(ref)) {
    for (const one of plan.keys()) if (one === ref || one.startsWith(`${ref}/`)) changed.delete(one)
  } else if (known) changed.set(ref, choose(known, nth(keys, key) ?? ''))
  else if (isBelow(new Set(plan.keys()), ref)) changed.set(ref, keys.reduce(choose, {}))
  return { plan: changed, ref }
}

/** Whether an item is at the top, or below one that is planned. */
const isBelow = (refs: ReadonlySet<string>, ref: string) => aboveOf(ref) === '' || refs.has(aboveOf(ref))

function withKey(values: Values, key: string, value: unknown): Values {
  const { [key]: _, ...rest } = values
  return value === undefined ? rest : { ...rest, [key]: value }
}
