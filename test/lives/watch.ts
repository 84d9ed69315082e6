import { AccessWatch } from './access-watch.js'
import type { Claims, Field } from './claims.js'
import { textsIn } from './folder.js'
import { snapshot, thingsOf, type Snapshot } from './snapshot.js'
import type { Plan, Site, Thing } from './site.js'

/** What a run was told to do, as far as it matters to other people. */
export interface Orders {
  plan: Plan
  again: boolean | readonly string[]
  open: readonly string[]
  /** Whether it restores what an earlier run overwrote. */
  isUndo: boolean
  /** What the site was like before that run: it may open what that run closed. */
  formerly: Former | undefined
  /** Fields that a run has set as planned, as `site#title`. A setting that no plan has named before is set by the first that names it. */
  settled: ReadonlySet<string>
}

/** What a site was like: who could do what with each thing, and every field. */
export interface Former {
  audience: ReadonlyMap<string, ReadonlySet<string>>
  fields: Snapshot
}

/** Requests during which a value that a person has just set may still be overwritten: the run could not have read it before. */
const UNREAD = 8
/** Rooms that hold no items: what a plan names for the first time is set. */
const exact = new Set(['settings', 'menus'])
/** A word or a price that is in one place only. */
const unique = /word\d+|\d+\.07/

/** Looks at a site after each request of a run: nothing of a person's may be gone, nobody may see or do more, nothing may be there twice. */
export class Watch {
  /** How many things of one ref people have put there. */
  #sameRef = new Map<string, number>()
  /** What was there when the run began. */
  readonly #first: Snapshot
  /** When a person set a field during the run: the number of the request. */
  readonly #justSet = new Map<string, number>()
  /** Things that the run itself has written. */
  readonly written = new Set<string>()
  #before: Snapshot
  /** What the site was like before this run. */
  readonly former: Former
  readonly #access: AccessWatch
  /** Values that were overwritten as told. */
  readonly overwritten: string[] = []
  #requests = 0

  constructor(
    private readonly site: Site,
    private readonly claims: Claims,
    private readonly orders: Orders,
    private readonly records: string,
    private readonly trouble: (text: string) => void,
  ) {
    this.#first = snapshot(site)
    this.#before = this.#first
    const fields = {
      first: this.#first,
      isUnread: (key: string, field: string) => this.#isUnread(key, field),
      wasSet: (key: string, field: string) => this.#justSet.has(`${key}#${field}`),
    }
    this.#access = new AccessWatch(site, claims, orders, fields, trouble)
    this.#sameRef = this.#refs()
    this.former = { audience: new Map(this.#access.audience), fields: this.#first }
  }

  /** A person has set these fields during the run. */
  meanwhile(changed: readonly Field[]): void {
    for (const one of changed) {
      this.#justSet.set(`${one.key}#${one.field}`, this.#requests)
      if (this.written.has(one.key)) this.claims.cross(one)
    }
    this.#before = snapshot(this.site)
    this.#grant()
  }

  look(line: string): void {
    this.#requests += 1
    const now = snapshot(this.site)
    for (const [key, fields] of now)
      if ([...fields].some(([field, value]) => this.#before.get(key)?.get(field) !== value)) this.written.add(key)
    const isUnread = (key: string, field: string) => this.#isUnread(key, field)
    for (const one of this.site.forbids?.(this.#before, now, isUnread) ?? []) this.trouble(`${one}, after ${line}`)
    this.#before = now
    this.#lost(now, line)
    this.#twice(line)
    // what the system ships is there for everybody
    if (/^POST \S*setup$/.test(line)) return this.#grant()
    this.#access.look(line)
  }

  /** Everything that is there now counts as allowed. */
  #grant(): void {
    this.#sameRef = this.#refs()
    this.#access.grant()
  }

  /** How many things there are of each planned ref. */
  #refs(): Map<string, number> {
    const counts = new Map<string, number>()
    for (const { room, thing } of thingsOf(this.site)) {
      const ref = `${room} ${this.site.refOf(room, thing)}`
      if (this.orders.plan.has(ref.slice(room.length + 1))) counts.set(ref, (counts.get(ref) ?? 0) + 1)
    }
    return counts
  }
  /** Undo may bring back what has a namesake by now. */
  #twice(line: string): void {
    const counts = this.#refs()
    for (const [ref, count] of counts)
      if (!this.orders.isUndo && count > Math.max(1, this.#sameRef.get(ref) ?? 0))
        this.trouble(`${ref} is there ${count} times, after ${line}`)
    this.#sameRef = counts
  }

  #lost(now: Snapshot, line: string): void {
    const broken = this.claims.broken(now)
    for (const one of broken) {
      const { key, field, was, is, isGone } = one
      if (this.#isUnread(key, field)) continue
      const [room = ''] = key.split('/')
      const thing = isGone ? undefined : this.#thing(key)
      const ref = thing && this.site.refOf(room, thing, field)
      const value = `${key}#${field}: ${was ?? 'nothing'}`
      // set between a write and the reading after it: it could be what the site made of that write
      const isTold =
        this.claims.isCrossed(one) ||
        (ref !== undefined && (this.#isTold(ref, room, field) || this.#isUnknownMembership(ref, one)))
      if (ref === undefined) this.trouble(`${value} is gone, after ${line}`)
      else if (!isTold) this.trouble(`${value} (${ref}) is ${is ?? 'nothing'}, after ${line}`)
      else this.overwritten.push(was ?? '')
      if (isTold && was !== undefined && !this.#isRecorded(was, exact.has(room)))
        this.trouble(`${value} (${ref}) was overwritten as told, and no record holds it, after ${line}`)
    }
    for (const one of broken) this.claims.release(one)
  }

  /** Whether a person has set a field so late that the run could not have read it. */
  #isUnread(key: string, field: string): boolean {
    return this.#requests - (this.#justSet.get(`${key}#${field}`) ?? -Infinity) <= UNREAD
  }

  /** Values of people that the run is told to overwrite, whether it has to or not. */
  aboutToGo(): string[] {
    return thingsOf(this.site).flatMap(({ key, room, thing }) =>
      this.#isTold(this.site.refOf(room, thing), room, '')
        ? [...this.claims.fields(key).values()].map((value) => value ?? '')
        : [],
    )
  }
  #isTold(ref: string, room: string, field: string): boolean {
    const { again, plan, isUndo, settled } = this.orders
    if (isUndo || !plan.has(ref)) return false
    if (exact.has(room) && !settled.has(`${ref}#${field}`)) return true
    return again === true || (again !== false && again.includes(ref))
  }
  /** After the state was lost, an account is known by its login, and nobody knows which groups it was given. */
  #isUnknownMembership(ref: string, { key, field }: Field): boolean {
    const { plan, settled } = this.orders
    return /^groups\b/.test(field) && plan.has(ref) && !this.claims.isMade(key) && !settled.has(`${ref}#username`)
  }
  /** Things are copied, for undo to restore; of settings the journal has the value. */
  #isRecorded(value: string, isSetting: boolean): boolean {
    const word = unique.exec(value)?.[0]
    const copies = textsIn(this.records).filter(({ folder }) => isSetting || folder.endsWith('removed'))
    return word === undefined || copies.some(({ text }) => text.includes(word))
  }

  #thing(key: string): Thing | undefined {
    if (key === 'settings/site') return this.site.settings()
    return thingsOf(this.site).find((one) => one.key === key)?.thing
  }

  /**
   * After a run that ended well: {@link AccessWatch.end}.
   * @param isRemembered whether the run could know which memberships runs have given
   */
  end(isRemembered: boolean): void {
    this.#access.end(isRemembered)
  }
}
