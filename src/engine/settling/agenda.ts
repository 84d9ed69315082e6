import { areaOf, type AnyDifference, type Inventory } from '../../core/areas/index.js'
import type { Comparison } from '../../core/compare.js'
import { UnpackError } from '../../core/errors.js'
import { inOrder } from '../../core/order.js'
import type { Fate } from '../report-of.js'
import type { Why } from '../why.js'
import { isStillOpen, keyOf, sameIn } from './same.js'
import { together } from './together.js'

/** A difference on its way through a run. */
interface Entry {
  /** As it was shown. */
  difference: AnyDifference
  at: 'not chosen' | 'to do' | 'sent' | 'apart' | 'done by the first-run form'
  /** What is carried out in its place, as long as it was not sent. */
  instead?: AnyDifference
}

/** The one plan of a run: every difference with where it stands, why it failed, and the copy that was kept. */
export class Agenda {
  readonly #entries = new Map<string, Entry>()
  readonly #why = new Map<string, Why>()
  readonly #copies = new Map<string, string>()
  readonly #taken = new Set<string>()
  /** @param left the comparison as it was read last @param stands what stood there then */
  constructor(
    public left: Comparison,
    public stands: Inventory,
    chosen: readonly AnyDifference[],
  ) {
    this.#add(left.differences, chosen)
  }

  #add(differences: readonly AnyDifference[], chosen: readonly AnyDifference[]): void {
    for (const difference of differences)
      this.#entries.set(keyOf(difference), { difference, at: sameIn(chosen, difference) ? 'to do' : 'not chosen' })
  }

  /** What the first-run form left is seen now: what is no difference any more it has settled, or it never came. */
  afterFirstRun(left: Comparison, stands: Inventory, chosen: readonly AnyDifference[]): void {
    const shown = new Map(this.#entries)
    this.#entries.clear()
    for (const [key, { difference }] of shown)
      // what was expected to ship and is not there needed no removal
      if (difference.is !== 'left over' && !sameIn(left.differences, difference))
        this.#entries.set(key, { difference, at: 'done by the first-run form' })
    const both = left.differences.map((now) => together(shown.get(keyOf(now))?.difference, now))
    this.#add(both, chosen)
    this.read(left, stands)
  }

  /** These are carried out in another way than they were shown. */
  doInstead(differences: readonly AnyDifference[]): void {
    for (const instead of differences) {
      const { difference = instead } = this.#entries.get(keyOf(instead)) ?? {}
      this.#entries.set(keyOf(instead), { difference, at: 'to do', instead })
    }
  }
  /** What only showed on the way. */
  addLate(late: readonly AnyDifference[], chosen: readonly AnyDifference[]): void {
    this.#add(late, chosen)
  }
  knows(difference: AnyDifference): boolean {
    return this.#entries.has(keyOf(difference))
  }

  /** Everything that is to be settled, sent or not. */
  get chosen(): AnyDifference[] {
    return [...this.#entries.values()].flatMap(({ difference, at }) =>
      at === 'to do' || at === 'sent' || at === 'apart' ? [difference] : [],
    )
  }
  /** What is still to be sent, as it was read last. */
  toDo(): AnyDifference[] {
    return [...this.#entries.values()].flatMap(({ difference, at, instead }) => {
      const now = instead ?? sameIn(this.left.differences, difference)
      return at === 'to do' && now && !this.#why.has(difference.ref) ? [now] : []
    })
  }
  /** Somebody else carries this out. */
  setApart(difference: AnyDifference): void {
    const entry = this.#entries.get(keyOf(difference))
    if (entry) entry.at = 'apart'
  }
  sent(differences: readonly AnyDifference[]): void {
    for (const difference of differences) {
      const entry = this.#entries.get(keyOf(difference))
      if (entry) Object.assign(entry, { at: 'sent', instead: undefined })
    }
  }
  /** An answer was lost: nobody knows what of it was carried out. */
  lost(): void {
    for (const entry of this.#entries.values()) if (entry.at === 'sent') entry.at = 'to do'
  }
  read(left: Comparison, stands: Inventory): void {
    this.left = left
    this.stands = stands
  }

  fail(ref: string, why: Why): void {
    if (!this.#why.has(ref)) this.#why.set(ref, why)
  }
  /** A refusal by the site itself says more than what was known before. */
  refuse(ref: string, why: Why): void {
    this.#why.set(ref, why)
  }
  whyOf(ref: string): Why | undefined {
    return this.#why.get(ref)
  }
  /** The ref of something that has failed, or was sent and differs still. */
  get stuck(): string | undefined {
    const [failed] = this.#why.keys()
    const sent = [...this.#entries.values()].find(
      ({ difference, at }) => at === 'sent' && sameIn(this.left.differences, difference),
    )
    return failed ?? sent?.difference.ref ?? this.left.notHere.find(({ ref }) => this.#entries.has(`comes ${ref}`))?.ref
  }
  get firstWhy(): Why | undefined {
    return [...this.#why.values()][0]
  }

  /** The site has answered that it took what was sent for this. */
  took(ref: string): void {
    this.#taken.add(ref)
  }
  /** Whether everything that was sent for this was answered, and nothing of it refused. */
  wasTaken(ref: string): boolean {
    return this.#taken.has(ref) && !this.#why.has(ref)
  }

  keep(ref: string, copy: string): void {
    this.#copies.set(ref, copy)
  }
  copyOf(ref: string): string | undefined {
    return this.#copies.get(ref)
  }

  /** Everything that was a difference in this run, in the order of settling. */
  get all(): AnyDifference[] {
    return inOrder([...this.#entries.values()].map(({ difference }) => difference))
  }
  /** What became of one. */
  fateOf(difference: AnyDifference): Fate {
    const { at = 'not chosen' } = this.#entries.get(keyOf(difference)) ?? {}
    if (at === 'not chosen') return { outcome: 'not chosen' }
    const lacking = this.left.notHere.find(({ ref }) => ref === difference.ref)
    if (lacking && difference.is !== 'left over') return { outcome: 'failed', ...why('not-here', lacking.text) }
    if (at === 'done by the first-run form') return { outcome: 'settled' }
    const copy = this.copyOf(difference.ref)
    // what somebody changed in the middle of the run is theirs by now, and no difference any more
    const isTheirs = this.#why.get(difference.ref)?.code === 'changed-meanwhile'
    if (!isTheirs && !isStillOpen(difference, this.left, this.stands)) return { outcome: 'settled', copy }
    return { outcome: 'failed', ...this.#reasonOf(difference), copy }
  }

  #reasonOf(difference: AnyDifference): Why {
    const holder =
      difference.is === 'left over' && difference.fallsWith !== undefined
        ? this.#entries.get(keyOf({ is: 'left over', ref: difference.fallsWith }))
        : undefined
    // what falls with something that stayed was not asked for by itself
    const falls = holder && holder.at !== 'not chosen' ? this.#reasonOf(holder.difference) : undefined
    return this.#why.get(difference.ref) ?? falls ?? this.#keptSince(difference) ?? why('not-taken', difference.ref)
  }
  /** What was not sent, as the site is read otherwise by now: somebody has put something there that it must stay for. */
  #keptSince(difference: AnyDifference): Why | undefined {
    if (this.#entries.get(keyOf(difference))?.at === 'sent') return undefined
    const kept = this.left.kept.find(({ ref }) => ref === difference.ref)
    return kept && { code: 'changed-meanwhile', text: kept.text }
  }
}

const why = (code: 'not-taken' | 'not-here', what: string): Why => ({
  code,
  text: UnpackError.of(code, { what }).message,
})

/** Parts what is to do: what can go now, and what follows an area that changes, or comes last. */
export function nowAndLater(open: readonly AnyDifference[]): { now: AnyDifference[]; later: AnyDifference[] } {
  const areas = new Set<string>(open.map(({ area }) => area))
  const waits = ({ area }: AnyDifference) => {
    const { follows, last } = areaOf(area)
    return last ? [...areas].some((other) => other !== area) : (follows?.some((other) => areas.has(other)) ?? false)
  }
  return { now: open.filter((one) => !waits(one)), later: open.filter(waits) }
}
