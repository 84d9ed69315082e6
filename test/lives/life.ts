import { cpSync, existsSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { mock } from 'node:test'
import { setTimeout as wait } from 'node:timers/promises'
import { chooseAll, confirm, LoginsFile, Secret, settle, undo, UnpackError, type Settled } from 'unpack'
import { PASSPHRASE } from '../help/sites.js'
import { Claims } from './claims.js'
import { snapshot } from './snapshot.js'
import type { Plan, Site, Thing, Wish } from './site.js'
import { textsIn, Watch } from './watch.js'

/** What befalls a run, and at which of its requests. */
export interface Trouble {
  at: number
  /** `killed`: the process is gone; `cut`: no request gets through any more; the others befall one request. */
  is: 'killed' | 'cut' | 'refused' | 'unheard' | 'fails' | 'half'
}
/** How a run is started. */
export interface Flags {
  again: boolean | readonly string[]
  open: readonly string[]
  inUse: boolean
  trouble?: Trouble
  /** What somebody does during the run, and at which request. */
  meanwhile?: { at: number; hand: () => string[] }
}

/** Milliseconds of real time after which a run counts as hung. */
const HUNG = 60_000
const HOUR = 3_600_000
const personal = /private[ -]word\d+/i

/** One site from its first day on: what people, runs and accidents make of it, and everything that went wrong. */
export class Life {
  /** What went wrong: the tool's faults. */
  readonly troubles: string[] = []
  /** What happened, a line each. */
  readonly story: string[] = []
  readonly claims: Claims
  plan: Plan = new Map()
  isShippedRemoved = false
  /** What runs have written over as they were told. */
  readonly #overwritten: string[] = []
  /** What runs have left as planned, by ref. */
  readonly #left = new Set<string>()
  /** Records of runs that wrote something. */
  readonly records: string[] = []
  /** Things that people removed, to put back. */
  readonly bin: { room: string; thing: Thing; back: () => void }[] = []
  #words = 0
  /** Whether all that runs did is remembered, and none was taken back. */
  #isRemembered = true
  #watch: Watch | undefined
  #watchOfLast: Watch | undefined
  #requests = 0
  #flags: Flags = calm
  #stop = new AbortController()
  #logins!: LoginsFile
  address = ''

  private constructor(
    readonly site: Site,
    private readonly folder: string,
  ) {
    this.claims = new Claims(site)
  }

  /** @param planned which wishes the first plan holds, a bit for each; those that every plan holds come on top */
  static async begin(make: () => Site, root: string, planned: number): Promise<Life> {
    const life = new Life(make(), join(root, randomUUID()))
    const { wishes, always } = life.site
    const isIn = ({ ref }: Wish, index: number) => always.includes(ref) || (planned >> index) % 2 === 1
    const refs = new Set(wishes.filter(isIn).map(({ ref }) => ref))
    // what stands below something comes with it
    const stands = ({ ref }: Wish) => ref.split('/').length < 3 || refs.has(ref.replace(/\/[^/]*$/, ''))
    life.plan = new Map(wishes.filter((one) => refs.has(one.ref) && stands(one)).map((one) => [one.ref, firstOf(one)]))
    life.story.push(`plan: ${[...life.plan.keys()].join(', ')}`)
    const { app } = life.site.running
    app.addHook('onRequest', async (request) => life.#arrives(request.raw.socket))
    app.addHook('onSend', async (request, reply, payload) => {
      life.#answers(`${request.method} ${request.url}`, request.raw.socket)
      if (life.#befalls('fails')) {
        void reply.code(503).header('retry-after', '0').type('text/html')
        return 'Try again later.'
      }
      if (life.#befalls('half') && typeof payload === 'string') return payload.slice(0, payload.length / 2)
      return payload
    })
    life.address = await life.site.running.listen(0)
    await life.#openLogins()
    for (const { username, password, ...how } of life.site.logins)
      await life.#logins.put(life.address, username, new Secret(password), how)
    return life
  }
  async end(): Promise<void> {
    await this.site.running.close()
    rmSync(this.folder, { recursive: true, force: true })
  }

  /** A word that stands nowhere else. */
  word(): { word: string; number: number } {
    this.#words += 1
    return { word: `word${this.#words}`, number: this.#words }
  }
  /** Somebody does something at the site, between two runs or in the middle of one. */
  hand(story: string, hand: () => void): string[] {
    this.story.push(story)
    return this.claims.by(hand)
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
  /** Time passes. */
  pass(): void {
    mock.timers.tick(HOUR)
  }

  async settle(flags: Flags): Promise<void> {
    const done = await this.#run(flags, false, () =>
      settle(this.#baseline(), { ...this.#options(), ...flagsOf(flags) }),
    )
    if (!done) return
    if (done.record !== undefined) this.records.push(done.record)
    const failed = new Set(done.failed.map(({ ref }) => ref))
    for (const [ref, values] of [...this.plan].filter(([ref]) => !failed.has(ref)))
      for (const field of Object.keys(this.site.expects(ref, values, this.plan))) this.#left.add(`${ref}#${field}`)
    if (done.failed.length > 0 || done.open.length > 0 || flags.trouble || flags.meanwhile) return
    this.#watchOfLast?.end()
    this.#asSaid(done)
    await this.#quiet(flags)
  }
  /** Two runs at the same moment. */
  async settleTwice(flags: Flags): Promise<void> {
    await this.#run(flags, false, async () => {
      const both = await Promise.allSettled(
        [0, 1].map(() => settle(this.#baseline(), { ...this.#options(), ...flagsOf(flags) })),
      )
      for (const one of both) if (one.status === 'rejected') this.#ended(one.reason)
      for (const one of both) if (one.status === 'fulfilled' && one.value.record) this.records.push(one.value.record)
    })
  }
  async undo(which: number, flags: Flags): Promise<void> {
    const record = this.records[which % Math.max(1, this.records.length)]
    if (record === undefined) return
    this.#isRemembered = false
    await this.#run(flags, true, () => undo(this.#baseline(), record, this.#options()))
  }
  async confirm(): Promise<void> {
    const before = snapshot(this.site)
    await this.#run(calm, false, () => confirm(this.#baseline(), this.#options()))
    this.#same(before, 'confirm')
  }
  loseState(): void {
    this.story.push('the state folder is lost')
    this.#left.clear()
    this.#isRemembered = false
    rmSync(join(this.folder, 'state'), { recursive: true, force: true })
  }

  /** The next run behind a quiet one writes nothing. */
  async #quiet(flags: Flags): Promise<void> {
    const before = snapshot(this.site)
    const done = await this.#run({ ...flags, again: flags.again }, false, () =>
      settle(this.#baseline(), { ...this.#options(), ...flagsOf(flags) }),
    )
    if (!done) this.troubles.push('the run behind a quiet one did not end well')
    else if (done.writes > 0) this.troubles.push(`the run behind a quiet one wrote: ${done.settled.join()}`)
    else if (done.failed.length + done.open.length > 0)
      this.troubles.push(
        `the run behind a quiet one left: ${[...done.failed.map(({ ref, text }) => `${ref}: ${text}`), ...done.open.map(({ ref }) => ref)].join()}`,
      )
    this.#same(before, 'the run behind a quiet one')
  }
  #same(before: ReturnType<typeof snapshot>, who: string): void {
    const after = snapshot(this.site)
    for (const [key, fields] of after)
      for (const [field, value] of fields)
        if (before.get(key)?.get(field) !== value) this.troubles.push(`${who} changed ${key}#${field}`)
    for (const key of before.keys()) if (!after.has(key)) this.troubles.push(`${who} removed ${key}`)
  }

  /** All is as planned, or the run has said of what it is not. */
  #asSaid({ comparison }: Settled): void {
    const { kept, byHand, unseen, never, notHere, notes, theirTexts, theirKeys, others } = comparison
    const told = new Set(
      [...kept, ...byHand, ...unseen, ...never, ...notHere, ...notes]
        .map(({ ref }) => ref)
        .concat(theirTexts, theirKeys, others)
        .map((ref) => ref.split('#')[0] ?? ''),
    )
    const rooms = Object.entries(this.site.rooms()).flatMap(([room, things]) =>
      things.map((thing) => ({ room, thing })),
    )
    for (const [ref, values] of this.plan) {
      const wanted = Object.entries(this.site.expects(ref, values, this.plan))
      const found = [...rooms, { room: 'settings', thing: this.site.settings() }].filter(({ room, thing }) =>
        room === 'settings'
          ? wanted.some(([field]) => this.site.refOf(room, thing, field) === ref)
          : this.site.refOf(room, thing) === ref,
      )
      const wrong = found.map(({ thing }) =>
        wanted
          .filter(([field, value]) => JSON.stringify(thing[field]) !== JSON.stringify(value))
          .map(([field, value]) => `${field} is ${JSON.stringify(thing[field])}, not ${JSON.stringify(value)}`),
      )
      if (wrong.some((list) => list.length === 0) || wanted.length === 0) continue
      const text = `${ref}: ${wrong.flat().join('; ') || 'not there'}`
      if (!told.has(ref)) this.troubles.push(`said to be as planned: ${text}`)
      // only what somebody has touched may stay otherwise; what undo gave back, and what nobody remembers, may as well
      else if (this.#isRemembered && found.length === 1 && !this.#isTouched(found[0]))
        this.troubles.push(`left as it is, and nobody has changed it: ${text}`)
    }
  }

  /** Whether the plan wants something else of a thing than what stands there. */
  isDue({ room, thing }: { room: string; thing: Thing }): boolean {
    return [...this.plan].some(([ref, values]) =>
      Object.entries(this.site.expects(ref, values, this.plan)).some(
        ([field, value]) =>
          this.site.refOf(room, thing, field) === ref && JSON.stringify(thing[field]) !== JSON.stringify(value),
      ),
    )
  }
  /** Whether anybody has had a hand in something. */
  #isTouched(one: { room: string; thing: Thing } | undefined): boolean {
    const key = one ? (one.room === 'settings' ? 'settings/site' : `${one.room}/${one.thing.id}`) : ''
    return this.claims.isMade(key) || this.claims.fields(key).size > 0 || this.claims.wasTouched(key)
  }

  async #run<T>(flags: Flags, isUndo: boolean, run: () => Promise<T>): Promise<T | undefined> {
    const { plan } = this
    const orders = { plan, again: flags.again, open: flags.open, isUndo, left: new Set(this.#left) }
    this.#watch = new Watch(this.site, this.claims, orders, join(this.folder, 'records'), (text) =>
      this.troubles.push(text),
    )
    this.#overwritten.push(...this.#watch.aboutToGo())
    this.#flags = flags
    this.#requests = 0
    this.#stop = new AbortController()
    const late = new AbortController()
    const hung = wait(HUNG, 'hung' as const, { signal: late.signal }).catch(() => 'hung' as const)
    const came = await Promise.race([
      run().then(
        (done) => ({ done }),
        (error: unknown) => ({ error }),
      ),
      hung,
    ])
    late.abort()
    await this.#restored()
    this.#flags = calm
    this.#watchOfLast = this.#watch
    this.#overwritten.push(...this.#watch.overwritten)
    this.#watch = undefined
    if (came === 'hung') this.troubles.push('hung')
    else if ('error' in came) this.#ended(came.error)
    for (const { name, text } of textsIn(join(this.folder, 'records')).concat(textsIn(join(this.folder, 'state'))))
      for (const [found] of text.matchAll(new RegExp(personal, 'gi')))
        if (!this.#overwritten.some((one) => one.includes(found)))
          this.troubles.push(`kept of somebody: ${found}, in ${name}: ${text.slice(0, 300)}`)
    return came !== 'hung' && 'done' in came ? came.done : undefined
  }
  #ended(error: unknown): void {
    if (error instanceof UnpackError && error.code !== 'fault') this.story.push(`   ended: ${error.code}`)
    else this.troubles.push(`crashed: ${String(error)} ${String((error as Error).cause)}`)
  }

  #baseline() {
    return this.site.baseline(this.address, this.plan, this.isShippedRemoved)
  }
  #options() {
    const place = (name: string) => join(this.folder, name)
    return {
      systems: [this.site.system],
      ...{ logins: this.#logins, state: place('state'), records: place('records') },
      ...{ choose: chooseAll, confirm: false, patience: HUNG, signal: this.#stop.signal },
    }
  }
  async #openLogins(): Promise<void> {
    this.#logins = await LoginsFile.open(join(this.folder, 'logins.json'), new Secret(PASSPHRASE), 4)
  }

  #arrives(socket: { destroy(): unknown }): void {
    this.#requests += 1
    mock.timers.tick(1000)
    const { trouble, meanwhile } = this.#flags
    if (meanwhile?.at === this.#requests) this.#watch?.meanwhile(meanwhile.hand())
    if (this.#befalls('refused')) socket.destroy()
    if (trouble && this.#requests >= trouble.at && (trouble.is === 'cut' || trouble.is === 'killed')) {
      // what is on disk at that moment is all that is left of a run whose process is gone
      if (trouble.is === 'killed' && this.#requests === trouble.at)
        cpSync(this.folder, `${this.folder}.killed`, { recursive: true })
      this.#stop.abort()
      socket.destroy()
    }
  }
  #answers(line: string, socket: { destroy(): unknown }): void {
    this.#watch?.look(line)
    if (this.#befalls('unheard')) socket.destroy()
  }
  #befalls(is: Trouble['is']): boolean {
    return this.#flags.trouble?.is === is && this.#flags.trouble.at === this.#requests
  }
  async #restored(): Promise<void> {
    const left = `${this.folder}.killed`
    if (!existsSync(left)) return
    rmSync(this.folder, { recursive: true })
    renameSync(left, this.folder)
    // a process whose number another one has by now: this one
    for (const file of readdirSync(this.folder, { recursive: true, encoding: 'utf8' }))
      if (file.endsWith('lock.json')) {
        const path = join(this.folder, file)
        writeFileSync(
          path,
          JSON.stringify({ ...(JSON.parse(readFileSync(path, 'utf8')) as object), started: 'before' }),
        )
      }
    await this.#openLogins()
  }
}

/** What a wish is at first. */
const firstOf = ({ values }: Wish) =>
  Object.fromEntries(Object.entries(values).flatMap(([key, [first]]) => (first === undefined ? [] : [[key, first]])))
export const calm: Flags = { again: false, open: [], inUse: true }
const flagsOf = ({ again, open, inUse }: Flags) => ({ again, open, inUse })
