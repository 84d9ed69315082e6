import { stateKey, type SiteAddress } from '../core/address.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import { Guard } from '../logins/guard.js'
import type { System } from '../systems/system.js'
import { Account } from './account.js'
import { refuseUnsafe, surveyWithDoor } from './begin.js'
import { wrapCaller } from './caller.js'
import type { Phase } from './events.js'
import { ManyEyes } from './many-eyes.js'
import type { HeldLock, Keeping, Memory, RunRecord } from './keeping.js'
import { LoginsHere } from './logins-here.js'
import type { RunOptions } from './options.js'
import { packagesIn } from './packages.js'
import { ReachedSite } from './site.js'
import { onDisk } from './on-disk.js'
import type { Surveyed } from './survey.js'

/** One run on one site: what survey, compare, settle, confirm and undo share. */
export class Run {
  readonly site: ReachedSite
  readonly logins: LoginsHere
  /** Everybody who looks at the site beside the owner at the dashboard: their sessions are shared. */
  readonly eyes: ManyEyes
  private constructor(
    readonly baseline: Baseline,
    readonly options: RunOptions,
    readonly account: Account,
    readonly state: Memory,
    private readonly keeping: Keeping,
    { surveyed, system }: { surveyed: Surveyed; system: System },
  ) {
    this.site = new ReachedSite(
      surveyed,
      system,
      options,
      account.traffic,
      async () => this.#lock?.stillOurs(),
      (seconds) => account.waits(seconds),
    )
    this.logins = new LoginsHere(this.site, baseline, options, account)
    this.eyes = new ManyEyes(this)
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
    const system = await refuseUnsafe(surveyed, asked, options)
    const { kind = system.kind } = baseline.site
    if (kind !== system.kind)
      throw UnpackError.of('other-kind', { address: asked, system: system.name, is: system.kind, wanted: kind })
    const { keeping = onDisk(options.state, options.records) } = options
    const { packages, notes } = await packagesIn(baseline, system)
    return new Run(
      { ...baseline, packages },
      {
        ...options,
        door,
        logins: wrapCaller('logins', options.logins),
        ...(options.mailbox && { mailbox: wrapCaller('mailbox', options.mailbox) }),
      },
      new Account(guard, notes, options),
      await keeping.memory(surveyed.address),
      keeping,
      { surveyed, system },
    )
  }

  #there: Run | undefined
  /** The same run, at another address of the site. */
  async movedTo(address: SiteAddress): Promise<Run> {
    const { surveyed, system } = this.site
    const there = new Run(
      { ...this.baseline, site: { ...this.baseline.site, reachedAt: undefined } },
      this.options,
      this.account,
      await this.keeping.memory(address),
      this.keeping,
      { surveyed: { ...surveyed, address }, system },
    )
    this.#there = there
    // two names of this machine share what is remembered, and its lock
    if (stateKey(address) === stateKey(this.site.address)) {
      there.#lock = this.#lock
      if (this.#lock) await there.state.share()
    } else {
      await there.lock()
      await there.state.takeOver(this.state)
    }
    return there
  }

  #lock: HeldLock | undefined
  /** Keeps other runs off the site; from now on this run may write, there and into its state. */
  async lock(): Promise<void> {
    this.#lock = await this.state.lock()
  }

  /** Refs of things that came in the first minutes and that the owner wants to remove. */
  readonly unwanted = new Set<string>()
  #hasRead = false
  /** Whether the site is read for the first time in this run. */
  isFirstReading(): boolean {
    const isFirst = !this.#hasRead
    this.#hasRead = true
    return isFirst
  }

  /** A new record of what this run does. */
  record(started: Date): RunRecord {
    const record = this.keeping.record(this.site.address, started, this.account.guard)
    this.account.recordIn(record)
    return record
  }

  phase(phase: Phase, text = this.site.home): void {
    this.account.tell({ is: 'phase', phase, text })
  }

  async end(): Promise<void> {
    await this.eyes.close()
    await this.#there?.end()
    await this.#lock?.end()
    await this.site.leave()
    this.account.endLog()
  }
}
