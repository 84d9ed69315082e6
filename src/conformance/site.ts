import type { Logins } from '../logins/logins.js'
import { readBaseline } from '../core/baseline/read.js'
import type { Baseline } from '../core/baseline/schema.js'
import { settle, type SettleOptions, type Settled } from '../engine/settle.js'
import type { System } from '../systems/system.js'
import type { RunOptions } from '../engine/options.js'

/** A site that waits for its first-run form, as whoever runs the suite provides it. */
export interface Provided {
  /** Where it answers. */
  address: string
  logins: Logins
  /** Folders of its own for state and records. */
  state: string
  records: string
  /** How many requests that could change the site have arrived there, log-ins apart, counted on the server's side. */
  writes(): number | Promise<number>
}

/** A provided site, with what cases do again and again. */
export class ConformanceSite {
  constructor(
    readonly system: System,
    readonly provided: Provided,
  ) {}

  get address(): string {
    return this.provided.address
  }
  get options(): RunOptions {
    const { logins, state, records } = this.provided
    return { systems: [this.system], logins, state, records }
  }

  /** A baseline for this site: the parts that are not given are the least that will do. */
  baseline(
    parts: { site?: object; owner?: object; files?: Record<string, string> } & Record<string, unknown> = {},
  ): Baseline {
    const { site, owner, files = {}, ...rest } = parts
    const plan = {
      unpack: 1,
      site: { address: this.address, title: 'Tidepool Watchers', ...site },
      owner: { username: 'marlow', email: 'ines@tidepool.example', password: 'made', ...owner },
      ...rest,
    }
    // every JSON document is a YAML document
    return readBaseline(JSON.stringify(plan), files, 'conformance.yaml').baseline
  }

  settle(baseline: Baseline, more: Partial<SettleOptions> = {}): Promise<Settled> {
    return settle(baseline, { ...this.options, confirm: false, ...more })
  }

  /** Settles, and expects that nothing failed and nothing is left. */
  async settled(baseline: Baseline, more: Partial<SettleOptions> = {}): Promise<Settled> {
    const done = await this.settle(baseline, more)
    if (done.failed.length > 0)
      throw new Error(`not settled: ${done.failed.map(({ ref, text }) => `${ref} (${text})`).join(', ')}`)
    return done
  }
}
