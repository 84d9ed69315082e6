import { mkdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import envPaths from 'env-paths'
import writeFileAtomic from 'write-file-atomic'
import { addressKey, addressText, stateKey, type SiteAddress } from '../core/address.js'
import { grouped } from '../core/grouped.js'
import { fileTrouble } from '../disk/trouble.js'
import { Lock } from './lock.js'
import { SetAside } from './set-aside.js'
import { emptyState, formerSchema, stateSchema, type StateFile } from './state-file.js'
import { parsed, UnderWay, type Intent, type Made } from './under-way.js'

/** The user's state folder: `UNPACK_STATE`, or where this machine keeps such things. */
export const stateFolder = (): string => process.env.UNPACK_STATE ?? envPaths('unpack', { suffix: '' }).data

/** What is remembered of a site between runs: which items and texts are ours, what is owed, and that a run is at work. */
export class State {
  #underWay: UnderWay | undefined
  #mayWrite = false
  #aside = new SetAside()
  /** The same keys, for looking up. */
  readonly #ours = new Map<string, ReadonlySet<string>>()
  private now: StateFile
  private former: Readonly<Record<string, string>> = {}
  private constructor(
    /** Where it is kept. */
    readonly folder: string,
    private readonly address: SiteAddress,
    private readonly root: string,
  ) {
    this.now = emptyState(addressText(address))
  }

  /**
   * What is remembered of a site. It is written only by a run that keeps others off: {@link State.lock}.
   * @throws UnpackError `folder-trouble` where the state folder can't be read
   */
  static async of(address: SiteAddress, root = stateFolder()): Promise<State> {
    const state = new State(join(root, stateKey(address)), address, root)
    await state.#load()
    return state
  }

  async #load(): Promise<void> {
    this.#aside = new SetAside()
    const read = await this.#stored(join(this.folder, 'state.json'), stateSchema)
    const former = read
      ? undefined
      : await this.#stored(join(this.root, addressKey(this.address), 'texts.json'), formerSchema)
    const { digests = {}, samples = {}, debts = [] } = former ?? {}
    this.former = digests
    this.#ours.clear()
    this.now = read ?? { ...emptyState(addressText(this.address)), digests, samples, debts }
    const file = join(this.folder, 'under-way.jsonl')
    this.#underWay = await UnderWay.in(file).catch((error: unknown) => {
      throw fileTrouble(error, file)
    })
    if (this.#underWay.isDamaged) this.#aside.damaged(file)
  }

  /** What a file holds; undefined where there is none. One that is damaged gives way to a new one, is kept, and told. */
  async #stored<T>(file: string, schema: Schema<T>): Promise<T | undefined> {
    let text: string
    try {
      text = await readFile(file, 'utf8')
    } catch (error) {
      if (['ENOENT', 'ENOTDIR'].includes((error as { code?: string }).code ?? '')) return undefined
      throw fileTrouble(error, file)
    }
    const read = schema.safeParse(parsed(text))
    if (read.success) return read.data
    this.#aside.damaged(file)
    return undefined
  }

  /** What is worth telling of the files themselves: one that was damaged, or that is of another site. */
  get told(): readonly string[] {
    return this.#aside.told
  }

  /** The digest of the text that we last wrote to a ref, or of the value of a key that can't be read back (`ref#key`). */
  written(ref: string): string | undefined {
    return this.now.digests[ref]
  }
  /** The same, as a version of Unpack kept it that did not know whose an item is. */
  formerly(ref: string): string | undefined {
    return this.former[ref]
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
    await this.#write()
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
    await this.#write()
  }

  /** What a run was about to write when it ended, and what it knows to have made. */
  get underWay(): { intents: readonly Intent[]; made: readonly Made[] } {
    const { intents = [], made = [] } = this.#underWay ?? {}
    return { intents, made }
  }
  /** What is about to be written, by name and values: on disk before the write. */
  async intend(intents: readonly Intent[]): Promise<void> {
    if (intents.length > 0) await this.#onDisk('under-way.jsonl', () => this.#underWay?.add({ intents: [...intents] }))
  }
  /** What was made, by the number that the site has told. */
  async make(made: readonly Made[]): Promise<void> {
    if (made.length > 0) await this.#onDisk('under-way.jsonl', () => this.#underWay?.add({ made: [...made] }))
  }
  /** Everything that was under way was seen on the site since. */
  async arrived(): Promise<void> {
    this.#underWay?.forget()
    if (this.#underWay?.isEmpty === false) await this.#onDisk('under-way.jsonl', () => this.#underWay?.clear())
  }

  /** What tells this site from another at the same address. */
  get imprint(): readonly string[] {
    return this.now.imprint
  }
  async imprinted(imprint: readonly string[]): Promise<void> {
    if (imprint.every((one) => this.now.imprint.includes(one))) return
    this.now = { ...this.now, imprint: [...new Set([...this.now.imprint, ...imprint])] }
    await this.#write()
  }
  /** Another site stands at the address: what was known of the one before is set aside. */
  async forget(): Promise<void> {
    this.#aside.ofAnotherSite(join(this.folder, 'state.json'))
    this.now = emptyState(addressText(this.address))
    this.#ours.clear()
    this.former = {}
    await this.#write()
    await this.arrived()
  }

  /** What is remembered goes along to another address of the same site. */
  async takeOver(before: State): Promise<void> {
    this.now = { ...before.now, address: addressText(this.address) }
    this.#ours.clear()
    await this.#write()
  }

  /** Goes on for a run that holds the lock already, by another name of the same address. */
  async share(locked: State): Promise<void> {
    await this.#load()
    this.#mayWrite = locked.#mayWrite
  }

  /** Debts that no step has paid yet. */
  get debts(): readonly string[] {
    return this.now.debts
  }
  /** A debt is on disk before the step that makes it. */
  async owe(debt: string): Promise<void> {
    if (this.debts.includes(debt)) return
    this.now = { ...this.now, debts: [...this.debts, debt] }
    await this.#write()
  }
  async paid(debt: string): Promise<void> {
    this.now = { ...this.now, debts: this.debts.filter((one) => one !== debt) }
    await this.#write()
  }

  /** Marks of what trials have written and not yet taken away. */
  get trials(): readonly string[] {
    return this.now.trials
  }
  async tries(mark: string): Promise<void> {
    this.now = { ...this.now, trials: [...this.trials, mark] }
    await this.#write()
  }
  async tried(mark: string): Promise<void> {
    this.now = { ...this.now, trials: this.trials.filter((one) => one !== mark) }
    await this.#write()
  }

  /** Whether it was us who closed the site to visitors. */
  get closed(): boolean {
    return this.now.closed
  }
  async close(closed: boolean): Promise<void> {
    if (this.closed === closed) return
    this.now = { ...this.now, closed }
    await this.#write()
  }

  /**
   * Keeps other runs off the site; what they have remembered meanwhile is read, and from now on this run remembers.
   * @throws UnpackError `locked`, `folder-trouble`
   */
  async lock(): Promise<Lock> {
    const lock = await Lock.take(this.folder, addressText(this.address))
    try {
      await this.#load()
      this.#mayWrite = true
      return lock
    } catch (error) {
      await lock.end()
      throw error
    }
  }

  /** Whole or not at all. */
  #write(): Promise<void> {
    const text = () => `${JSON.stringify(this.now)}\n`
    return this.#onDisk('state.json', (file) => writeFileAtomic(file, text(), { mode: 0o600 }))
  }

  async #onDisk(name: string, act: (file: string) => Promise<void> | undefined): Promise<void> {
    if (!this.#mayWrite) return
    const file = join(this.folder, name)
    try {
      await mkdir(this.folder, { recursive: true, mode: 0o700 })
      await this.#aside.carryOut()
      await act(file)
    } catch (error) {
      throw fileTrouble(error, file)
    }
  }
}

type Schema<T> = { safeParse(value: unknown): { success: true; data: T } | { success: false } }
