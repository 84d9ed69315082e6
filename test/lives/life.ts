import { randomUUID } from 'node:crypto'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { mock } from 'node:test'
import { setTimeout as wait } from 'node:timers/promises'
import { chooseAll, confirm, settle, undo, UnpackError, type Settled } from 'unpack'
import { Claims } from './claims.js'
import { Folder, textsIn } from './folder.js'
import { changes, isDue, unreported, type Placed } from './outcome.js'
import { firstPlan } from './planning.js'
import type { Plan, Site, Thing } from './site.js'
import { snapshot } from './snapshot.js'
import { Watch, type Former } from './watch.js'
import { Wire, type Accident, type Meanwhile } from './wire.js'

/** How a run is started, and what happens during it. */
export interface Run {
  again: boolean | readonly string[]
  open: readonly string[]
  inUse: boolean
  accident?: Accident
  meanwhile?: Meanwhile
}
export const calm: Run = { again: false, open: [], inUse: true }

/** Milliseconds of real time after which a run counts as hung. */
const HUNG = 60_000
const HOUR = 3_600_000
const personal = /private[ -]word\d+/gi

/** One site from its first day on: what people, runs and accidents make of it, and everything that went wrong. */
export class Life {
  /** What the tool did wrong. */
  readonly troubles: string[] = []
  /** What happened, a line each. */
  readonly story: string[] = []
  readonly claims: Claims
  plan: Plan
  isShippedRemoved = false
  /** The records of runs that wrote something, and what the site was like before each. */
  readonly records: { folder: string; former: Former | undefined }[] = []
  /** Things that people removed, to put back. */
  readonly bin: { room: string; thing: Thing; restoreClaims: () => void }[] = []
  readonly #folder: Folder
  readonly #wire: Wire
  #watch: Watch | undefined
  /** Values of people that runs have overwritten as told. */
  readonly #overwritten: string[] = []
  /** Fields that runs have set as planned. */
  readonly #settled = new Set<string>()
  /** Whether the state of all runs is there, and none was undone. */
  #isRemembered = true
  /** Things that the last run has written and not read again, because it ended early. */
  #unread: ReadonlySet<string> = new Set()
  #words = 0
  #address = ''

  private constructor(
    readonly site: Site,
    root: string,
    planned: number,
  ) {
    this.claims = new Claims(site)
    this.plan = firstPlan(site, planned)
    this.story.push(`plan: ${[...this.plan.keys()].join(', ')}`)
    this.#folder = new Folder(join(root, randomUUID()))
    this.#wire = new Wire(site.running.app, () => this.#folder.copy())
  }

  /** @param planned which items the first plan contains, a bit each */
  static async begin(make: () => Site, root: string, planned: number): Promise<Life> {
    const life = new Life(make(), root, planned)
    life.#address = await life.site.running.listen(0)
    await life.#folder.open()
    for (const { username, password, ...how } of life.site.logins)
      await life.#folder.keep(life.#address, username, password, how)
    return life
  }
  async end(): Promise<void> {
    await this.site.running.close()
    this.#folder.remove()
  }

  /** A word that is in no other text, and its number. */
  word(): { word: string; number: number } {
    this.#words += 1
    return { word: `word${this.#words}`, number: this.#words }
  }
  /**
   * A person acts, between two runs or during one.
   * @param besides what changes along with it, without becoming theirs
   */
  hand(story: string, act: () => void, besides: () => void = () => undefined): void {
    this.story.push(story)
    const changed = this.claims.by(act, besides)
    this.#watch?.meanwhile(changed)
    for (const one of changed)
      if (one.field === this.site.hasDefault && this.#unread.has(one.key)) this.claims.cross(one)
  }
  /** Strangers register, comment and order. */
  moveIn(): void {
    const rooms = this.site.rooms()
    for (const room of ['accounts', 'members', 'comments', 'orders']) {
      const { word } = this.word()
      const adds = this.site.adds[room]
      if (adds && this.site.isThere())
        this.hand(`hand: ${room}: adds ${word}`, () => rooms[room]?.push(adds(word, word)))
    }
  }
  passTime(): void {
    mock.timers.tick(HOUR)
  }
  isDue(one: Placed): boolean {
    return isDue(this.site, this.plan, one)
  }

  async settle(run: Run): Promise<void> {
    const ran = await this.#run(run, undefined, () => this.#settle(run))
    if (!ran) return
    const { done, watch } = ran
    if (done.record !== undefined) this.records.push({ folder: done.record, former: watch.former })
    const failed = new Set(done.failed.map(({ ref }) => ref))
    for (const [ref, values] of [...this.plan].filter(([ref]) => !failed.has(ref)))
      for (const field of Object.keys(this.site.expects(ref, values, this.plan))) this.#settled.add(`${ref}#${field}`)
    if (done.failed.length > 0 || done.open.length > 0 || run.accident || run.meanwhile) return
    watch.end(this.#isRemembered)
    const mayDiffer = (key: string) => !this.#isRemembered || this.claims.isTouched(key)
    this.troubles.push(...unreported(this.site, this.plan, done.comparison, mayDiffer))
    await this.#settleOnceMore(run)
  }
  /** The run after one that ended well writes nothing. */
  async #settleOnceMore(run: Run): Promise<void> {
    const who = 'the run after one that ended well'
    const before = snapshot(this.site)
    const ran = await this.#run(run, undefined, () => this.#settle(run))
    if (!ran) return void this.troubles.push(`${who} did not end well`)
    const { writes, settled, failed, open } = ran.done
    const left = [...failed.map(({ ref, text }) => `${ref}: ${text}`), ...open.map(({ ref }) => ref)]
    if (writes > 0) this.troubles.push(`${who} wrote: ${settled.join()}`)
    if (left.length > 0) this.troubles.push(`${who} left: ${left.join()}`)
    this.troubles.push(...changes(before, this.site).map((change) => `${who} changed ${change}`))
  }
  /** Two runs at the same moment. */
  async settleTwice(run: Run): Promise<void> {
    await this.#run(run, undefined, async () => {
      const former = this.#watch?.former
      const both = await Promise.allSettled([this.#settle(run), this.#settle(run)])
      for (const one of both)
        if (one.status === 'rejected') this.#ended(one.reason)
        else if (one.value.record !== undefined) this.records.push({ folder: one.value.record, former })
    })
  }
  async undo(which: number, run: Run): Promise<void> {
    const record = this.records[which % Math.max(1, this.records.length)]
    if (record === undefined) return
    this.#isRemembered = false
    await this.#run(run, record, () => undo(this.#baseline(), record.folder, this.#options()))
  }
  /** @param isTrial whether rules are tried out as well. A trial takes back what it wrote. */
  async confirm(isTrial: boolean): Promise<void> {
    const before = snapshot(this.site)
    const ran = await this.#run(calm, undefined, () => confirm(this.#baseline(), { ...this.#options(), try: isTrial }))
    const left = changes(before, this.site).filter((change) => !isTrial || !this.site.isTrace?.(change))
    this.troubles.push(...left.map((change) => `confirm changed ${change}`))
    if (ran && isTrial)
      this.story.push(`   tried: ${ran.done.checks.filter(({ outcome }) => outcome !== 'passed').length} not passed`)
  }
  loseState(): void {
    this.story.push('the state folder is lost')
    this.#settled.clear()
    this.#isRemembered = false
    rmSync(this.#folder.state, { recursive: true, force: true })
  }

  async #run<T>(
    { again, open, accident, meanwhile }: Run,
    undone: { former: Former | undefined } | undefined,
    start: () => Promise<T>,
  ): Promise<{ done: T; watch: Watch } | undefined> {
    const { plan } = this
    const settled = new Set(this.#settled)
    const orders = { plan, again, open, isUndo: undone !== undefined, formerly: undone?.former, settled }
    const trouble = (text: string) => this.troubles.push(text)
    const watch = new Watch(this.site, this.claims, orders, this.#folder.records, trouble)
    this.#watch = watch
    this.#overwritten.push(...watch.aboutToGo())
    this.#wire.begin(accident, meanwhile, (line) => watch.look(line))
    const late = new AbortController()
    const hung = wait(HUNG, 'hung' as const, { signal: late.signal }).catch(() => 'hung' as const)
    const came = await Promise.race([
      start().then(
        (done) => ({ done }),
        (error: unknown) => ({ error }),
      ),
      hung,
    ])
    late.abort()
    await this.#folder.restoreCopy()
    this.#wire.end()
    this.#watch = undefined
    this.#unread = accident ? watch.written : new Set()
    this.#overwritten.push(...watch.overwritten)
    this.#keptOfPeople()
    if (came === 'hung') this.troubles.push('hung')
    else if ('error' in came) this.#ended(came.error)
    else return { done: came.done, watch }
    return undefined
  }
  /** Names and addresses of people are in no file, unless a run was told to overwrite them. */
  #keptOfPeople(): void {
    for (const { name, text } of [...textsIn(this.#folder.records), ...textsIn(this.#folder.state)])
      for (const [found] of text.matchAll(personal))
        if (!this.#overwritten.some((one) => one.includes(found)))
          this.troubles.push(`kept of a person: ${found}, in ${name}: ${text.slice(0, 300)}`)
  }
  #ended(error: unknown): void {
    if (error instanceof UnpackError && error.code !== 'fault') this.story.push(`   ended: ${error.code}`)
    else this.troubles.push(`crashed: ${String(error)} ${String((error as Error).cause)}`)
  }

  #settle({ again, open, inUse }: Run): Promise<Settled> {
    return settle(this.#baseline(), { ...this.#options(), again, open, inUse })
  }
  #baseline() {
    return this.site.baseline(this.#address, this.plan, this.isShippedRemoved)
  }
  #options() {
    const { logins, state, records } = this.#folder
    const { signal } = this.#wire.stop
    const systems = [this.site.system]
    return { systems, logins, state, records, signal, choose: chooseAll, confirm: false, patience: HUNG }
  }
}
