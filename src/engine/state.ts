import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import envPaths from 'env-paths'
import writeFileAtomic from 'write-file-atomic'
import { addressText, stateKey, type SiteAddress } from '../core/address.js'
import { makeFolder } from '../disk/make-folder.js'
import { fileTrouble } from '../disk/trouble.js'
import { InMemory } from './in-memory.js'
import { Lock } from './lock.js'
import { SetAside } from './set-aside.js'
import { emptyState, stateSchema, withLeft } from './state-file.js'
import { parsed, UnderWay, type Intent, type Made } from './under-way.js'

/** The user's state folder: `UNPACK_STATE`, or where this machine keeps such things. */
export const stateFolder = (): string => process.env.UNPACK_STATE ?? envPaths('unpack', { suffix: '' }).data

/** What is remembered of a site between runs, on this machine's disk; a run at work locks it. */
export class State extends InMemory {
  #underWay: UnderWay | undefined
  #mayWrite = false
  #aside = new SetAside()
  private constructor(
    /** Where it is kept. */
    override readonly folder: string,
    address: SiteAddress,
  ) {
    super(address)
  }

  /**
   * What is remembered of a site. It is written only by a run that keeps others off: {@link State.lock}.
   * @throws UnpackError `folder-trouble` where the state folder can't be read
   */
  static async of(address: SiteAddress, root = stateFolder()): Promise<State> {
    const state = new State(join(root, stateKey(address)), address)
    await state.#load()
    return state
  }

  async #load(): Promise<void> {
    this.#aside = new SetAside()
    const read = await this.#stored(join(this.folder, 'state.json'), stateSchema)
    this.become(read ? withLeft(read) : emptyState(addressText(this.address)))
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
  override get told(): readonly string[] {
    return this.#aside.told
  }

  /** What a run was about to write when it ended, and what it knows to have made. */
  override get underWay(): { intents: readonly Intent[]; made: readonly Made[] } {
    const { intents = [], made = [] } = this.#underWay ?? {}
    return { intents, made }
  }
  /** What is about to be written, by name and values: on disk before the write. */
  override async intend(intents: readonly Intent[]): Promise<void> {
    if (intents.length > 0) await this.#onDisk('under-way.jsonl', () => this.#underWay?.add({ intents: [...intents] }))
  }
  /** What was made, by the number that the site has told. */
  override async make(made: readonly Made[]): Promise<void> {
    if (made.length > 0) await this.#onDisk('under-way.jsonl', () => this.#underWay?.add({ made: [...made] }))
  }
  /** The site refused to make these: an item of that name is someone else's. */
  override async dropIntents(refs: readonly string[]): Promise<void> {
    if (refs.length > 0) await this.#onDisk('under-way.jsonl', () => this.#underWay?.add({ refused: [...refs] }))
  }
  /** Everything that was under way was seen on the site since. */
  override async arrived(): Promise<void> {
    this.#underWay?.forget()
    if (this.#underWay?.isEmpty === false) await this.#onDisk('under-way.jsonl', () => this.#underWay?.clear())
  }

  override forget(): Promise<void> {
    this.#aside.ofAnotherSite(join(this.folder, 'state.json'))
    return super.forget()
  }

  /** Goes on for a run that holds the lock already, by another name of the same address. */
  override async share(): Promise<void> {
    await this.#load()
    this.#mayWrite = true
  }

  /**
   * Keeps other runs off the site; what they have remembered meanwhile is read, and from now on this run remembers.
   * @throws UnpackError `locked`, `folder-trouble`
   */
  override async lock(): Promise<Lock> {
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
  protected override save(): Promise<void> {
    const text = () => `${JSON.stringify(this.now)}\n`
    return this.#onDisk('state.json', (file) => writeFileAtomic(file, text(), { mode: 0o600 }))
  }

  async #onDisk(name: string, act: (file: string) => Promise<void> | undefined): Promise<void> {
    if (!this.#mayWrite) return
    const file = join(this.folder, name)
    try {
      makeFolder(this.folder)
      await this.#aside.carryOut()
      await act(file)
    } catch (error) {
      throw fileTrouble(error, file)
    }
  }
}

type Schema<T> = { safeParse(value: unknown): { success: true; data: T } | { success: false } }
