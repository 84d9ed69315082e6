import { addressText, type SiteAddress } from '../core/address.js'
import type { LeftBehind } from '../core/comparing/left.js'
import { grouped } from '../core/grouped.js'
import type { HeldLock, Memory } from './keeping.js'
import { emptyState, type StateFile } from './state-file.js'
import type { Intent, Made } from './under-way.js'

/**
 * What is remembered of a site, as long as the program runs. What keeps it longer overrides {@link save}, {@link lock} and what
 * is under way.
 */
export class InMemory implements Memory {
  /** The same keys, for looking up. */
  readonly #ours = new Map<string, ReadonlySet<string>>()
  protected now: StateFile
  readonly folder: string = ''
  #underWay: { intents: Intent[]; made: Made[] } = { intents: [], made: [] }

  constructor(protected readonly address: SiteAddress) {
    this.now = emptyState(addressText(address))
  }

  /** What was read takes the place of what was known. */
  protected become(now: StateFile): void {
    this.now = now
    this.#ours.clear()
  }
  /** Called after every change. */
  protected save(): Promise<void> {
    return Promise.resolve()
  }
  lock(): Promise<HeldLock> {
    return Promise.resolve({ stillOurs: () => Promise.resolve(), end: () => Promise.resolve() })
  }
  get told(): readonly string[] {
    return []
  }
  get all(): StateFile {
    return this.now
  }

  /** What is remembered of the item at a ref as we left it, key by key. */
  left(ref: string): LeftBehind | undefined {
    return this.now.left[ref]
  }
  async leave(left: Readonly<Record<string, LeftBehind>>, anew: ReadonlySet<string> = new Set()): Promise<void> {
    const known = this.now.left
    const news = Object.entries(left).flatMap(([ref, marks]) => {
      const before = anew.has(ref) ? {} : (known[ref] ?? {})
      return !anew.has(ref) && Object.entries(marks).every(([key, mark]) => before[key] === mark)
        ? []
        : [[ref, { ...before, ...marks }] as const]
    })
    if (news.length === 0) return
    this.now = { ...this.now, left: { ...known, ...Object.fromEntries(news) } }
    await this.save()
  }
  /** What is remembered under a name. */
  written(name: string): string | undefined {
    return this.now.digests[name]
  }
  /** The digest of an item that came with sample content. */
  sampled(ref: string): string | undefined {
    return this.now.samples[ref]
  }
  async remember(digests: Record<string, string>, samples: Record<string, string> = {}): Promise<void> {
    this.now = {
      ...this.now,
      digests: { ...this.now.digests, ...digests },
      samples: { ...this.now.samples, ...samples },
    }
    await this.save()
  }

  /** Whether an item is one that we made or took over on this site. */
  isOurs(area: string, key: string): boolean {
    const known = this.#ours.get(area) ?? new Set(this.now.ours[area])
    this.#ours.set(area, known)
    return known.has(key)
  }
  /** Keys of items of an area that are ours. */
  ours(): Readonly<Record<string, readonly string[]>> {
    return this.now.ours
  }
  async own(keys: readonly { area: string; key: string }[]): Promise<void> {
    const more = keys.filter(({ area, key }) => !this.isOurs(area, key))
    if (more.length === 0) return
    const ours = { ...this.now.ours }
    for (const [area, keys] of grouped(more.map(({ area, key }) => [area, key])))
      ours[area] = [...new Set([...(ours[area] ?? []), ...keys])]
    this.now = { ...this.now, ours }
    this.#ours.clear()
    await this.save()
  }

  get underWay(): { intents: readonly Intent[]; made: readonly Made[] } {
    return this.#underWay
  }
  intend(intents: readonly Intent[]): Promise<void> {
    this.#underWay.intents.push(...intents)
    return Promise.resolve()
  }
  make(made: readonly Made[]): Promise<void> {
    this.#underWay.made.push(...made)
    return Promise.resolve()
  }
  dropIntents(refs: readonly string[]): Promise<void> {
    this.#underWay.intents = this.#underWay.intents.filter(({ ref }) => !refs.includes(ref))
    return Promise.resolve()
  }
  arrived(): Promise<void> {
    this.#underWay = { intents: [], made: [] }
    return Promise.resolve()
  }

  /** What tells this site from another at the same address. */
  get imprint(): readonly string[] {
    return this.now.imprint
  }
  async imprinted(imprint: readonly string[]): Promise<void> {
    if (imprint.every((one) => this.now.imprint.includes(one))) return
    this.now = { ...this.now, imprint: [...new Set([...this.now.imprint, ...imprint])] }
    await this.save()
  }
  /** Another site stands at the address: what was known of the one before counts no more. */
  async forget(): Promise<void> {
    this.become(emptyState(addressText(this.address)))
    await this.save()
    await this.arrived()
  }
  /** What is remembered goes along to another address of the same site. */
  async takeOver(before: Memory): Promise<void> {
    this.become({ ...before.all, address: addressText(this.address) })
    await this.save()
  }
  share(): Promise<void> {
    return Promise.resolve()
  }

  /** Debts that no step has paid yet. */
  get debts(): readonly string[] {
    return this.now.debts
  }
  /** A debt is on disk before the step that makes it. */
  async owe(debt: string): Promise<void> {
    if (this.debts.includes(debt)) return
    this.now = { ...this.now, debts: [...this.debts, debt] }
    await this.save()
  }
  async paid(debt: string): Promise<void> {
    this.now = { ...this.now, debts: this.debts.filter((one) => one !== debt) }
    await this.save()
  }

  /** Marks of what trials have written and not yet taken away. */
  get trials(): readonly string[] {
    return this.now.trials
  }
  async tries(mark: string): Promise<void> {
    this.now = { ...this.now, trials: [...this.trials, mark] }
    await this.save()
  }
  async tried(mark: string): Promise<void> {
    this.now = { ...this.now, trials: this.trials.filter((one) => one !== mark) }
    await this.save()
  }

  /** Whether it was us who closed the site to visitors. */
  get closed(): boolean {
    return this.now.closed
  }
  async close(closed: boolean): Promise<void> {
    if (this.closed === closed) return
    this.now = { ...this.now, closed }
    await this.save()
  }
}
