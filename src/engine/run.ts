import type { Dispatcher } from 'undici'
import { addressText, isThisMachine, parseAddress, type SiteAddress } from '../core/address.js'
import { areaNames, type AreaName, type Inventory, type ItemOf } from '../core/areas/index.js'
import type { Ability, ReadItem } from '../core/area.js'
import type { Baseline } from '../core/baseline/schema.js'
import { compare, type Comparison } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import { inventoryOf } from '../core/inventory.js'
import type { AreaOnSystem, Login, Session, SignedIn, System } from '../systems/system.js'
import { builtIn } from '../systems/index.js'
import { Shelf } from '../systems/shelf.js'
import { connections } from '../web/connections.js'
import { Traffic } from '../web/traffic.js'
import { Visitor } from '../web/visitor.js'
import type { Phase, RunEvent } from './events.js'
import type { RunOptions } from './options.js'
import { State } from './state.js'
import { survey, type Surveyed } from './survey.js'

/** One run on one site: what was surveyed, open connections, and everything that survey, compare, settle and confirm share. */
export class Run {
  readonly traffic: Traffic
  readonly lines: Dispatcher
  private constructor(
    readonly baseline: Baseline,
    readonly options: RunOptions,
    readonly surveyed: Surveyed,
    readonly system: System,
    readonly state: State,
  ) {
    this.traffic = new Traffic(options.watch)
    this.lines = connections(options.resolve, options.signal)
  }

  /**
   * Surveys the baseline's address and lets a run begin only where it is safe.
   * @throws UnpackError of every reason against it
   */
  static async begin(baseline: Baseline, options: RunOptions): Promise<Run> {
    const surveyed = await survey(baseline.site.address, options)
    const system = refuseUnsafe(surveyed, baseline, options)
    return new Run(baseline, options, surveyed, system, await State.of(surveyed.address, options.state))
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

  tell(event: RunEvent): void {
    this.options.on?.(event)
  }
  phase(phase: Phase, text = this.home): void {
    this.tell({ is: 'phase', phase, text })
  }

  /** A browser of its own, without cookies. */
  visitor(): Visitor {
    return new Visitor(this.address, this.lines, this.traffic, this.options.signal)
  }
  stranger(): Session {
    return { visitor: this.visitor(), shelf: new Shelf() }
  }

  /**
   * The owner's login, from the logins file. Where it is not there, the only one for this address will do: the user name
   * is then told as different.
   */
  async login(): Promise<Login> {
    const { owner } = this.baseline
    const all = await this.options.logins.at(this.home)
    const stored = all.find(({ username }) => username === owner.username) ?? (all.length === 1 ? all[0] : undefined)
    if (stored) return stored
    const { file } = this.options.logins
    throw UnpackError.of('login-missing', { address: this.home, user: owner.username, file })
  }

  /** Signs in as the owner. */
  async signIn(): Promise<SignedIn> {
    const { username, password } = await this.login()
    this.phase('sign in', username)
    const session = await this.system.signIn(this.visitor(), { username, password })
    if (!session) throw UnpackError.of('login-refused', { address: this.home, user: username })
    return session
  }

  /** Reads all areas, side by side, and judges what is there. */
  async takeStock(session: SignedIn): Promise<Inventory> {
    const read = async (name: AreaName) => [name, await this.onSystem(name)?.read(session)] as const
    const readings = (await Promise.all(areaNames.map(read))).filter(([, items]) => items !== undefined)
    return inventoryOf(Object.fromEntries(readings))
  }

  compare(inventory: Inventory): Comparison {
    return compare(this.baseline, inventory, {
      can: this.can,
      written: (ref) => this.state.written(ref),
      again: this.options.again,
    })
  }

  /** What the system ships, as an inventory. */
  expected(): Inventory {
    return inventoryOf(this.system.ships(this.baseline))
  }

  can = (area: AreaName, key: string): Ability =>
    (this.onSystem(area)?.can as Record<string, Ability> | undefined)?.[key] ?? 'can'

  /** An area of the system, seen without its own types: where the union of areas meets code that serves all. */
  onSystem(name: AreaName): AnyAreaOnSystem | undefined {
    return this.system.areas[name] as unknown as AnyAreaOnSystem | undefined
  }

  async end(): Promise<void> {
    await this.lines.close().catch(() => undefined)
  }
}

type AnyAreaOnSystem = Omit<AreaOnSystem<AreaName>, 'read'> & {
  read(session: SignedIn): Promise<ReadItem<ItemOf<AreaName>>[]>
}

function refuseUnsafe(
  { findings, standing, reasons, address }: Surveyed,
  baseline: Baseline,
  options: RunOptions,
): System {
  const wanted = baseline.site.address
  const finding = reasons.join('; ')
  const to = addressText(address)
  if (findings.failure) throw UnpackError.of('nothing-there', { address: wanted, finding: findings.failure.text })
  if (to !== addressText(parseAddress(wanted) ?? address))
    throw UnpackError.of('address-leads-elsewhere', { from: wanted, to })
  const { system } = findings
  const status = findings.front?.status ?? 0
  if (system?.state === 'broken' || (!system && (status === 401 || status === 403 || status >= 500)))
    throw UnpackError.of('cannot-open', { address: wanted, finding })
  const found = (options.systems ?? builtIn).find(({ id }) => id === system?.id)
  if (!system || !found) throw UnpackError.of('no-system', { address: wanted, standing, reason: finding })
  if (!system.proven && !options.unproven)
    throw UnpackError.of('not-proven', {
      system: system.name,
      version: system.version || 'of a version it does not tell',
    })
  if (address.origin.startsWith('http:') && !isThisMachine(address) && !options.plainHttp)
    throw UnpackError.of('plain-http', { address: to })
  return found
}
