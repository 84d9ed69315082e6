import { grouped } from '../../core/grouped.js'
import type { Carrier, Step } from '../../systems/step.js'
import { wishesOf, type Known } from './fill.js'

/** Something without which a step can't go. */
interface Want {
  of: Step
  /** What is missing, for whoever asks why a step could not go; '' for a debt. */
  ref: string
  /** Steps whose going may bring it. */
  from: Set<Step>
  isMet(): boolean
}

/** What steps want of each other. Every want is looked at when a step that may bring it has gone, and at no other time. */
export class Wants {
  readonly #givers = new Map<string, Set<Step>>()
  readonly #owers = new Map<string, Set<Step>>()
  readonly #unmet = new Map<Step, Set<Want>>()
  readonly #broughtBy: Map<Set<Step>, Want[]>
  /** By carrier: wants that another carrier's steps bring. None becomes one later, so that each is passed once. */
  readonly #fromOthers: Map<Carrier<unknown>, Want[]>

  constructor(
    steps: readonly Step[],
    private readonly known: Known,
  ) {
    for (const step of steps) {
      const { gives, owes } = step.more
      if (gives !== undefined) setAt(this.#givers, gives).add(step)
      if (owes !== undefined) setAt(this.#owers, owes).add(step)
    }
    const all = steps.flatMap((step) => this.#wantsOf(step)).filter((want) => !want.isMet())
    for (const step of steps) this.#unmet.set(step, new Set())
    for (const want of all) this.#unmet.get(want.of)?.add(want)
    this.#broughtBy = grouped(all.map((want) => [want.from, want]))
    this.#fromOthers = grouped(all.map((want) => [want.of.carrier, want]))
  }

  #wantsOf(step: Step): Want[] {
    const { ids, addresses } = this.known
    const { after = [], pays } = step.more
    const want = (ref: string, from: Set<Step>, isMet: () => boolean): Want => ({ of: step, ref, from, isMet })
    const fields = wishesOf(step.fields).map(({ ref, is }) => {
      const known = is === 'id' ? ids : addresses
      return want(ref, setAt(this.#givers, ref), () => known.has(ref))
    })
    const before = after.map((ref) => {
      const from = setAt(this.#givers, ref)
      // what it gives itself it does not wait for
      return want(ref, from, () => from.size === (from.has(step) ? 1 : 0))
    })
    const owers = setAt(this.#owers, pays ?? '')
    return [...fields, ...before, ...(pays === undefined ? [] : [want('', owers, () => owers.size === 0)])]
  }

  /** The refs that a step still lacks. */
  lackedBy(step: Step): string[] {
    return [...(this.#unmet.get(step) ?? [])].map(({ ref }) => ref).filter((ref) => ref !== '')
  }

  isFree(step: Step): boolean {
    return this.#unmet.get(step)?.size === 0
  }

  /** A step has gone, or never will; gives those that lack nothing any more. */
  gone(step: Step): Step[] {
    const { gives, owes } = step.more
    this.#unmet.delete(step)
    const brought = [
      gives === undefined ? undefined : this.#givers.get(gives),
      owes === undefined ? undefined : this.#owers.get(owes),
    ]
    return brought.flatMap((from) => {
      if (!from) return []
      from.delete(step)
      const met = (this.#broughtBy.get(from) ?? []).filter((want) => want.isMet())
      return met.flatMap((want) => {
        const unmet = this.#unmet.get(want.of)
        return unmet?.delete(want) && unmet.size === 0 ? [want.of] : []
      })
    })
  }

  /** Whether another carrier's work would make more of a carrier's steps ready. */
  waitsForOthers(carrier: Carrier<unknown>): boolean {
    const wants = this.#fromOthers.get(carrier) ?? []
    const isOfOthers = (want: Want) =>
      this.#unmet.get(want.of)?.has(want) === true && [...want.from].some((step) => step.carrier !== carrier)
    while (wants.length > 0 && !isOfOthers(wants.at(-1) as Want)) wants.pop()
    return wants.length > 0
  }

  /** How many waiting steps want something that a carrier's steps bring. */
  waitingFor(carrier: Carrier<unknown>): number {
    const wants = (unmet: Set<Want>) =>
      [...unmet].some(({ from }) => [...from].some((step) => step.carrier === carrier))
    return [...this.#unmet.values()].filter(wants).length
  }
}

function setAt<K>(map: Map<K, Set<Step>>, key: K): Set<Step> {
  const known = map.get(key) ?? new Set()
  map.set(key, known)
  return known
}
