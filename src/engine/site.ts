import type { Dispatcher } from 'undici'
import { addressText, type SiteAddress } from '../core/address.js'
import { Shelf } from '../systems/shelf.js'
import type { Session } from '../systems/session.js'
import type { System } from '../systems/system.js'
import { connections } from '../web/connections.js'
import type { Traffic } from '../web/traffic.js'
import { Visitor } from '../web/visitor.js'
import type { SurveyOptions } from './options.js'
import type { Surveyed } from './survey.js'

/** The site as it is reached: where it is, what runs it, and open connections to it. */
export class ReachedSite {
  readonly lines: Dispatcher
  /** @param beforeWrite called before every request that could change the site; what it throws keeps that back */
  constructor(
    readonly surveyed: Surveyed,
    readonly system: System,
    private readonly options: SurveyOptions,
    private readonly traffic: Traffic,
    private readonly beforeWrite: () => Promise<void>,
    private readonly waits: (seconds: number) => void = () => undefined,
  ) {
    this.lines = connections(options.resolve, options.signal)
  }

  get address(): SiteAddress {
    return this.surveyed.address
  }
  get home(): string {
    return addressText(this.address)
  }
  /** The version of the system there; '' if it is unknown. */
  get version(): string {
    return this.surveyed.findings.system?.version ?? ''
  }
  /** True as long as the first-run form waits there. */
  get atFirstRun(): boolean {
    return this.surveyed.findings.system?.state === 'first-run'
  }

  /** A browser of its own, without cookies. @param signal what stops it; the run's own where left out */
  visitor(signal: AbortSignal | undefined = this.options.signal): Visitor {
    const { door, patience } = this.options
    const { beforeWrite: before, waits } = this
    return new Visitor(this.address, this.lines, this.traffic, { signal, door, patience, before, waits })
  }
  stranger(): Session {
    return { visitor: this.visitor(), shelf: new Shelf() }
  }

  /** Where visitors find it, if that is not where it is reached. */
  face: SiteAddress | undefined
  /** A browser of its own on the public side. */
  publicVisitor(): Visitor {
    return this.face ? this.visitor().at(this.face) : this.visitor()
  }
  /** What stands at an address of the site, as visitors find it. */
  publicly(place: string): string {
    return this.face && place.startsWith(this.home)
      ? `${addressText(this.face)}${place.slice(this.home.length)}`
      : place
  }

  async leave(): Promise<void> {
    await this.lines.close().catch(() => undefined)
  }
}
