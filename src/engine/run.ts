import type { Dispatcher } from 'undici'
import { addressText, stateKey, type SiteAddress } from '../core/address.js'
import { areaNames, type AreaName, type Inventory, type ItemOf } from '../core/areas/index.js'
import type { Ability, ReadItem } from '../core/area.js'
import type { Baseline } from '../core/baseline/schema.js'
import { compare, type Comparison, type Remark } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import { Guard } from '../logins/guard.js'
import { inventoryOf } from '../core/inventory.js'
import { bodyDigest } from '../core/text/normal-form.js'
import type { Step } from '../systems/step.js'
import type { AreaOnSystem, Kept, Login, OnSite, Session, SignedIn, System } from '../systems/system.js'
import { Shelf } from '../systems/shelf.js'
import { version } from '../package.js'
import { harOf } from '../web/har.js'
import { connections } from '../web/connections.js'
import { Traffic } from '../web/traffic.js'
import { Visitor } from '../web/visitor.js'
import type { Phase, RunEvent } from './events.js'
import { refuseUnsafe, surveyWithDoor } from './begin.js'
import type { Lock } from './lock.js'
import { packagesIn } from './packages.js'
import type { RunOptions } from './options.js'
import { ManyEyes } from './eyes.js'
import { arrivedIn, holdsOurs, keyOf } from './ownership.js'
import { openedByLogin } from './opened-by-login.js'
import { State } from './state.js'
import type { Surveyed } from './survey.js'

/** One run on one site: what was surveyed, open connections, and everything that survey, compare, settle and confirm share. */
export class Run {
  readonly lines: Dispatcher
  private constructor(
    readonly baseline: Baseline,
    readonly options: RunOptions,
    readonly surveyed: Surveyed,
    readonly system: System,
    readonly state: State,
    readonly guard: Guard,
    readonly traffic = new Traffic(options.watch),
  ) {
    this.lines = connections(options.resolve, options.signal)
  }

  /**
   * Surveys the baseline's address and lets a run begin only where it is safe.
   * @throws UnpackError of every reason against it
   */
  static async begin(baseline: Baseline, options: RunOptions, guard = new Guard()): Promise<Run> {
    const asked = baseline.site.reachedAt ?? baseline.site.address
    guard.add(options.door?.password)
    const { surveyed, door } = await surveyWithDoor(asked, options)
    guard.add(door?.password)
    const system = refuseUnsafe(surveyed, asked, options)
    const { kind = system.kind } = baseline.site
    if (kind !== system.kind)
      throw UnpackError.of('other-kind', { address: asked, system: system.name, is: system.kind, wanted: kind })
    const { packages, notes } = await packagesIn(baseline, system)
    const run = new Run(
      { ...baseline, packages },
      { ...options, door },
      surveyed,
      system,
      await State.of(surveyed.address, options.state),
      guard,
    )
    run.notes = notes
    return run
  }

  #there: Run | undefined
  /** The same run, at another address of the site. */
  async movedTo(address: SiteAddress): Promise<Run> {
    const { site } = this.baseline
    const there = new Run(
      { ...this.baseline, site: { ...site, reachedAt: undefined } },
      this.options,
      { ...this.surveyed, address },
      this.system,
      await State.of(address, this.options.state),
      this.guard,
      this.traffic,
    )
    there.notes = this.notes
    this.#there = there
    // two names of this machine share what is remembered, and its lock
    if (stateKey(address) === stateKey(this.address)) await there.state.share(this.state)
    else {
      await there.lock()
      await there.state.takeOver(this.state)
    }
    return there
  }

  #lock: Lock | undefined
  /** Keeps other runs off the site; from now on this run may write, there and into its state. */
  async lock(): Promise<void> {
    this.#lock = await this.state.lock()
  }

  get address(): SiteAddress {
    return this.surveyed.address
  }
  get home(): string {
    return addressText(this.address)
  }
  /** True as long as the first-run form waits there. */
  get atFirstRun(): boolean {
    return this.surveyed.findings.system?.state === 'first-run'
  }

  /** What was asked of the site and answered, as a HAR log. */
  exchange(): string {
    return harOf(this.traffic.exchanges, this.traffic.began, this.guard, version())
  }

  tell(event: RunEvent): void {
    this.options.on?.(this.guard.all(event))
  }
  phase(phase: Phase, text = this.home): void {
    this.tell({ is: 'phase', phase, text })
  }

  /** A browser of its own, without cookies. @param signal what stops it; the run's own where left out */
  visitor(signal: AbortSignal | undefined = this.options.signal): Visitor {
    const before = async () => this.#lock?.stillOurs()
    const { door, patience } = this.options
    return new Visitor(this.address, this.lines, this.traffic, { signal, door, before, patience })
  }
  stranger(): Session {
    return { visitor: this.visitor(), shelf: new Shelf() }
  }

  /**
   * The owner's login, from the logins file. Where it is not there, the only one for this address will do: the user name
   * is then told as different.
   */
  async login(): Promise<Login> {
    const [first] = await this.logins()
    if (first) return first
    const { file } = this.options.logins
    throw UnpackError.of('login-missing', { address: this.home, user: this.baseline.owner.username, file })
  }

  /** The logins that may open the site, the likeliest first; of one that was being renewed, both passwords. */
  private async logins(): Promise<(Login & { renewed?: boolean })[]> {
    const { owner } = this.baseline
    const all = await this.options.logins.at(this.home)
    for (const { password, next } of all) this.guard.add(password, next)
    const named = [owner.username, owner.signInAs].flatMap((name) => all.filter(({ username }) => username === name))
    const members = new Set((this.baseline.members ?? []).map(({ username }) => username))
    const others = all.filter(({ username }) => !members.has(username))
    const found = named.length > 0 ? named : others.length === 1 ? others : []
    return found.flatMap(({ username, password, temporary, next }) => [
      { username, password, temporary },
      ...(next ? [{ username, password: next, renewed: true }] : []),
    ])
  }

  /** Signs in as the owner. @param signal what stops it; the run's own where left out */
  async signIn(signal?: AbortSignal): Promise<SignedIn> {
    const { username } = await this.login()
    this.phase('sign in', username)
    for (const login of await this.logins()) {
      const session = await this.system.signIn(this.visitor(signal), login)
      if (!session) continue
      // of a run that was stopped in between: the new password is the only one from now on
      if (login.renewed) await this.options.logins.promote?.(this.home, login.username)
      return session
    }
    throw UnpackError.of('login-refused', { address: this.home, user: username })
  }

  /** Reads all areas, side by side, and judges what is there, and what of it is ours. */
  async takeStock(session: SignedIn): Promise<Inventory> {
    this.#closed.clear()
    const read = async (name: AreaName) => [name, await this.#read(name, session)] as const
    const [imprint, ...all] = await Promise.all([this.#imprint(session), ...areaNames.map(read)])
    const inventory = inventoryOf(Object.fromEntries(all.filter(([, items]) => items !== undefined)))
    await this.#knowOurs(inventory, imprint)
    return inventory
  }

  /** What tells this site from others; nothing where its interface is switched off. */
  async #imprint(session: SignedIn): Promise<string[]> {
    try {
      return (await this.system.imprint?.(session)) ?? []
    } catch (error) {
      if (error instanceof UnpackError && error.code === 'area-closed') return []
      throw error
    }
  }

  async #knowOurs(inventory: Inventory, imprint: readonly string[]): Promise<void> {
    const { state } = this
    const known =
      state.imprint.length === 0 || imprint.length === 0 || imprint.some((one) => state.imprint.includes(one))
    if (!known || !holdsOurs(inventory, state.ours())) await state.forget()
    await state.imprinted(imprint)
    const ours = arrivedIn(inventory, state.underWay)
    await state.own(ours)
    const texts = ours.flatMap(({ ref, text }) => (text === undefined ? [] : [[ref, text]]))
    if (texts.length > 0) await state.remember(Object.fromEntries(texts) as Record<string, string>)
    await state.arrived()
    await state.own(await openedByLogin(this, inventory))
  }

  readonly #refused = new Set<string>()
  /** Whether a stored login was refused in this run: it is not tried a second time. */
  wasRefused(username: string): boolean {
    return this.#refused.has(username)
  }
  refused(username: string): void {
    this.#refused.add(username)
  }

  readonly #closed = new Map<AreaName, string>()
  /** One area; one whose interface is switched off is left out, and said so. */
  async #read(name: AreaName, session: SignedIn): Promise<ReadItem<ItemOf<AreaName>>[] | undefined> {
    try {
      return await this.onSystem(name)?.read(session, this.baseline)
    } catch (error) {
      if (!(error instanceof UnpackError) || error.code !== 'area-closed') throw error
      this.#closed.set(name, error.message)
      return undefined
    }
  }

  compare(inventory: Inventory): Comparison {
    const { state } = this
    const comparison = compare(this.baseline, inventory, {
      can: this.abilities(inventory),
      without: (area) => this.#closed.get(area) ?? this.system.lacks?.[area],
      written: (ref) => state.written(ref),
      sampled: (ref) => state.sampled(ref),
      ours: (area, found) => {
        const { body } = found.item as { body?: string }
        const before = state.formerly(found.ref)
        return state.isOurs(area, keyOf(found)) || (before !== undefined && before === bodyDigest(body ?? ''))
      },
      tried: ({ text }) => text !== undefined && state.trials.some((mark) => text.includes(mark)),
      closed: state.closed,
      again: this.options.again,
    })
    comparison.notes.unshift(...this.notes, ...state.told.map((text) => ({ ref: 'site', text })))
    const [opening] = inventory.opening ?? []
    if (state.closed && opening?.item.visitors === false && this.baseline.site.open === undefined)
      comparison.notes.push({
        ref: 'opening',
        text: `an earlier run has closed the site to visitors, and the baseline says nothing of that any more: open it in the dashboard at ${this.home}, or write “open” into the baseline`,
      })
    // what can't be read may be anybody's
    comparison.others.push(...[...this.#closed.keys()].map((name) => `${name} (can't be read)`))
    return comparison
  }
  /** What is worth knowing of the baseline's own files. */
  notes: Remark[] = []

  /** What the system ships, as an inventory. */
  expected(): Inventory {
    return inventoryOf(this.system.ships(this.baseline))
  }

  /** Whether the system can be given a key, as things stand there. */
  abilities(inventory: Inventory): (area: AreaName, key: string) => Ability {
    const known = new Map<AreaName, Record<string, Ability>>()
    return (area, key) => {
      const { can } = this.onSystem(area) ?? {}
      const abilities =
        known.get(area) ?? (typeof can === 'function' ? can({ baseline: this.baseline, inventory }) : can) ?? {}
      known.set(area, abilities)
      return abilities[key] ?? 'can'
    }
  }

  /** An area of the system, seen without its own types: where the union of areas meets code that serves all. */
  onSystem(name: AreaName): AnyAreaOnSystem | undefined {
    return this.system.areas[name] as unknown as AnyAreaOnSystem | undefined
  }

  #eyes: ManyEyes | undefined
  /** Everybody who looks at the site beside the owner at the dashboard: their sessions are shared. */
  get eyes(): ManyEyes {
    this.#eyes ??= new ManyEyes(this)
    return this.#eyes
  }

  async end(): Promise<void> {
    await this.#eyes?.close()
    await this.#there?.end()
    await this.#lock?.end()
    await this.lines.close().catch(() => undefined)
  }
}

export type AnyAreaOnSystem = Omit<AreaOnSystem<AreaName>, 'read' | 'can' | 'again'> & {
  again?(kept: Kept): Step | Step[]
  can?: Record<string, Ability> | ((site: OnSite) => Record<string, Ability>)
  read(session: SignedIn, baseline: Baseline): Promise<ReadItem<ItemOf<AreaName>>[]>
}
