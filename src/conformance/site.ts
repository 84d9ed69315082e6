import type { Logins } from '../logins/logins.js'
import { readBaseline } from '../core/baseline/read.js'
import type { Files } from '../core/baseline/files.js'
import type { Baseline } from '../core/baseline/schema.js'
import { confirm, type ConfirmOptions } from '../engine/confirm.js'
import type { Check } from '../core/report/report.js'
import { differenceText } from '../core/words.js'
import { chooseAll, settle, type SettleOptions, type Settled } from '../engine/settle.js'
import type { System } from '../systems/system.js'
import { Run } from '../engine/run.js'
import type { Id } from '../core/area.js'
import type { Visitor } from '../web/visitor.js'
import { allFound, foundAt } from '../core/inventory.js'
import type { Mailbox, RunOptions } from '../engine/options.js'
import { takeStock } from '../engine/stock.js'

/** A site that waits for its first-run form, as whoever runs the suite provides it. */
export interface Provided {
  /** Where it answers. */
  address: string
  logins: Logins
  /** Folders of its own for state and records. */
  state: string
  records: string
  /** Where mails that the site sends can be read, for systems that write to new accounts. */
  mailbox?: Mailbox
  /** A server through which a site can send mails to that box, for systems whose settings name one: `smtp://127.0.0.1:2525`. */
  smtp?: string
  /** How many requests that could change the site have arrived there, log-ins apart, counted on the server's side. */
  writes(): number | Promise<number>
  /** The same site by another host name. */
  elsewhere: string
  /** A square picture (PNG) of 512 pixels or more. */
  icon: Uint8Array
  /** The add-on that brings comments, where they need one. */
  comments?: string
  /** A theme for the system, where it has menus with the places `main` and `footer` and a sidebar `main`; and an add-on. Both as zip. */
  archives: Record<'theme' | 'addOn', { use: string; bytes: Uint8Array }>
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
    const { logins, state, records, mailbox } = this.provided
    return { systems: [this.system], logins, state, records, mailbox }
  }

  /** A baseline for this site: the parts that are not given are the least that will do. */
  baseline(parts: { site?: object; owner?: object; files?: Files } & Record<string, unknown> = {}): Baseline {
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
    return settle(baseline, { ...this.options, confirm: false, choose: chooseAll, ...more })
  }

  /** Settles, and expects that nothing failed and nothing is left. */
  async settled(baseline: Baseline, more: Partial<SettleOptions> = {}): Promise<Settled> {
    const done = await this.settle(baseline, more)
    if (done.failed.length > 0)
      throw new Error(`not settled: ${done.failed.map(({ ref, text }) => `${ref} (${text})`).join(', ')}`)
    return done
  }

  /** Settles, and expects that a second run finds nothing to do and sends nothing. */
  async settledForGood(baseline: Baseline, more: Partial<SettleOptions> = {}): Promise<Settled> {
    const done = await this.settled(baseline, more)
    const again = await this.settle(baseline, more)
    const left = again.comparison.differences.map((one) => differenceText(one))
    if (again.writes > 0 || left.length > 0)
      throw new Error(`a second run sent ${again.writes} writes, for: ${left.join('; ') || 'nothing'}`)
    return done
  }

  /** Does something as the owner on the public side, with the site's own numbers of items. */
  async asOwner<T>(act: (visitor: Visitor, idOf: (ref: string) => Id) => Promise<T>): Promise<T> {
    const run = await Run.begin(this.baseline(), this.options)
    try {
      const session = await run.logins.signIn()
      const { inventory } = await takeStock(run, session)
      return await act(await run.eyes.visitor('owner'), (ref) => foundAt(inventory, ref)?.id ?? '')
    } finally {
      await run.end()
    }
  }

  /** Starts a topic as the owner, in the forum of this ref. */
  async writeIn(ref: string, title: string): Promise<void> {
    const { eyes } = this.system.areas.access ?? {}
    const topic = await this.asOwner(async (visitor, idOf) =>
      eyes?.act(visitor, 'start', { ref, id: idOf(ref) }, title),
    )
    if (topic === undefined) throw new Error(`the owner could not write in ${ref}`)
  }

  /** Whether a visitor is let in where items of an area are found, one after the other. @param start how their refs begin */
  async visitorSees(start: string): Promise<boolean[]> {
    const run = await Run.begin(this.baseline(), this.options)
    try {
      const { inventory } = await takeStock(run, await run.logins.signIn())
      const places = allFound(inventory).flatMap(({ ref, address }) =>
        ref.startsWith(start) && address ? [address] : [],
      )
      const { visitor } = run.site.stranger()
      return await Promise.all(
        places.map(
          async (place) => (await visitor.get(new URL(place, this.address).href, { follow: false })).status === 200,
        ),
      )
    } finally {
      await run.end()
    }
  }

  /** Looks at the result, and expects that every check passes. */
  async confirmed(baseline: Baseline, more: Partial<ConfirmOptions> = {}): Promise<Check[]> {
    const { checks } = await confirm(baseline, { ...this.options, ...more })
    const failed = checks.filter(({ outcome }) => outcome === 'failed')
    if (failed.length > 0) throw new Error(failed.map(({ name, detail }) => `${name}: ${detail}`).join('\n'))
    return checks
  }

  /** Looks at the result, and expects that these checks are among those that passed: not looked at is not enough. */
  async seen(baseline: Baseline, ...names: string[]): Promise<void> {
    const checks = await this.confirmed(baseline)
    for (const name of names) {
      const check = checks.find((one) => one.name === name)
      if (check?.outcome !== 'passed') throw new Error(`${name}: ${check ? check.detail : 'there is no such check'}`)
    }
  }
}
