import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Claims } from './claims.js'
import { snapshot, thingsOf, type Snapshot } from './snapshot.js'
import type { Plan, Site, Thing } from './site.js'

/** What a run was told to do, as far as it matters to other people. */
export interface Orders {
  plan: Plan
  again: boolean | readonly string[]
  open: readonly string[]
  /** Gives back what an earlier run wrote over: it was told to open what that run closed. */
  isUndo: boolean
  /** Settings that a run has left as planned, as `site#title`: what no plan has named before is set by the first that does. */
  left: ReadonlySet<string>
}

/** Requests within which a value that somebody has just set may still be written over: nobody could have read it before. */
const CROSSED = 8
const people = new Set(['accounts', 'members'])
/** Rooms that hold no items of anybody: what a plan names for the first time is set. */
const exact = new Set(['settings', 'menus'])
/** A word, or a price, that stands in one place only. */
const unique = /word\d+|\d+\.07/

/** Looks at a site behind every request of a run: nothing of anybody's may be gone, and nobody may see or do more. */
export class Watch {
  readonly #audience = new Map<string, Set<string>>()
  readonly #standing = new Map<string, Set<string>>()
  /** Things that were there when the run began. */
  readonly #there: Snapshot
  /** When somebody set something during the run: the number of the request. */
  readonly #justSet = new Map<string, number>()
  /** Things that the run itself has written. */
  readonly #written = new Set<string>()
  #before: Snapshot
  readonly #fresh = new Set<string>()
  /** What was written over as told: records hold it. */
  readonly overwritten: string[] = []
  #requests = 0

  constructor(
    private readonly site: Site,
    private readonly claims: Claims,
    private readonly orders: Orders,
    private readonly records: string,
    private readonly trouble: (text: string) => void,
  ) {
    this.#there = snapshot(site)
    this.#before = this.#there
    this.#grant()
  }

  /** Somebody did something meanwhile. */
  meanwhile(touched: readonly string[]): void {
    for (const key of touched) {
      this.#justSet.set(key, this.#requests)
      if (this.#written.has(key)) this.claims.cross(key)
    }
    this.#before = snapshot(this.site)
    this.#grant()
  }

  look(line: string): void {
    this.#requests += 1
    const now = snapshot(this.site)
    for (const [key, fields] of now)
      if ([...fields].some(([field, value]) => this.#before.get(key)?.get(field) !== value)) this.#written.add(key)
    for (const one of this.site.forbids?.(this.orders.plan, this.#before, now) ?? [])
      this.trouble(`${one}, behind ${line}`)
    this.#before = now
    this.#lost(now, line)
    // what ships is there for everybody
    if (/^POST \S*setup$/.test(line)) return this.#grant()
    const all = thingsOf(this.site)
    for (const { key, room, thing } of all) {
      if (people.has(room)) this.#standingOf(key, thing, line)
      this.#audienceOf(key, room, thing, all, line)
    }
  }

  /** What people let each other see and do counts as allowed. */
  #grant(): void {
    for (const { key, room, thing } of thingsOf(this.site)) {
      if (people.has(room)) add(this.#standing, key, this.site.standing(thing))
      add(this.#audience, key, this.site.audience(room, thing))
    }
  }

  #lost(now: Snapshot, line: string): void {
    for (const { key, field, was, is, gone } of this.claims.broken(now)) {
      if (this.#requests - (this.#justSet.get(key) ?? -Infinity) <= CROSSED) continue
      const [room = ''] = key.split('/')
      const thing = gone ? undefined : this.#thing(key)
      const ref = thing && this.site.refOf(room, thing, field)
      const value = `${key}#${field}: ${was ?? 'nothing'}`
      // set between a write and the reading behind it: nobody can tell it from what the site made of that write
      const isTold = this.claims.isCrossed(key, field) || (ref !== undefined && this.#isTold(ref, room, field))
      if (ref === undefined) this.trouble(`${value} is gone, behind ${line}`)
      else if (!isTold) this.trouble(`${value} (${ref}) is ${is ?? 'nothing'}, behind ${line}`)
      else this.overwritten.push(was ?? '')
      if (isTold && was !== undefined && !this.#isRecorded(was, exact.has(room)))
        this.trouble(`${value} (${ref}) was written over as told, and no record holds it, behind ${line}`)
    }
    for (const { key, field } of this.claims.broken(now)) this.claims.release(key, field)
  }

  /** What the run was told to write over, whether it comes to that or not. */
  aboutToGo(): string[] {
    return thingsOf(this.site).flatMap(({ key, room, thing }) =>
      this.#isTold(this.site.refOf(room, thing), room, '')
        ? [...this.claims.fields(key).values()].map((value) => value ?? '')
        : [],
    )
  }
  #isTold(ref: string, room: string, field: string): boolean {
    const { again, plan, isUndo, left } = this.orders
    if (!isUndo && plan.has(ref) && exact.has(room) && !left.has(`${ref}#${field}`)) return true
    return !isUndo && plan.has(ref) && (again === true || (again !== false && again.includes(ref)))
  }
  /** Things are copied, so that undo gives them back; of settings the journal tells what was there. */
  #isRecorded(value: string, isSetting: boolean): boolean {
    const word = unique.exec(value)?.[0]
    const copies = textsIn(this.records).filter(({ folder }) => isSetting || folder.endsWith('removed'))
    return word === undefined || copies.some(({ text }) => text.includes(word))
  }

  #audienceOf(key: string, room: string, thing: Thing, all: ReturnType<typeof thingsOf>, line: string): void {
    const known = this.#audience.get(key) ?? new Set<string>()
    const more = this.site.audience(room, thing).filter((who) => !known.has(who))
    if (more.length === 0) return
    this.#audience.set(key, new Set([...known, ...more]))
    const { plan, open, isUndo } = this.orders
    const ref = this.site.refOf(room, thing)
    // a forum that was just made and is empty has the rights that its system gives to new ones, until its form is sent
    if (room === 'forums' && !this.#there.has(key) && !this.claims.isMade(key) && isEmpty(thing, all)) {
      this.#audience.set(key, known)
      this.#fresh.add(key)
      return
    }
    if (isUndo && !this.#hasWords(key)) return
    if (open.includes(ref)) return
    const planned = this.site.plannedAudience(plan, ref)
    for (const who of more) {
      const told = `${key} (${ref}): ${who}, behind ${line}`
      if (!planned?.includes(who)) this.trouble(`opened, and not planned: ${told}`)
      else if (this.#hasWords(key)) this.trouble(`opened, with somebody’s words in it: ${told}`)
      const [, group] = /(group \d+)$/.exec(who) ?? []
      // whom people put into a group of the tool's own they let in themselves
      if (group === undefined || !this.claims.isMade(`groups/${group.slice(6)}`)) continue
      const strangers = all.filter(
        (one) =>
          people.has(one.room) &&
          this.site.standing(one.thing).includes(group) &&
          !this.#mayHave(one.key, one.thing, group),
      )
      if (strangers.length > 0)
        this.trouble(`a right for a group with a stranger in it: ${told}: ${strangers.map((one) => one.key).join()}`)
    }
  }
  /** Whether a thing holds what somebody wrote. */
  #hasWords(key: string): boolean {
    return this.claims.isMade(key) || [...this.claims.fields(key).values()].some((value) => /word\d/.test(value ?? ''))
  }

  #standingOf(key: string, thing: Thing, line: string): void {
    const known = this.#standing.get(key) ?? new Set<string>()
    for (const one of this.site.standing(thing).filter((one) => !known.has(one))) {
      add(this.#standing, key, [one])
      if (this.orders.isUndo && !this.claims.isMade(key)) continue
      if (this.orders.open.includes(`members/${String(thing.username)}`)) continue
      if (!this.#mayHave(key, thing, one)) this.trouble(`${key} (${String(thing.username)}) is ${one}, behind ${line}`)
    }
  }
  /** An account of the tool's own may be what the plan says. */
  #mayHave(key: string, thing: Thing, standing: string): boolean {
    const isTheirs =
      this.claims.isMade(key) || ['password', 'email'].some((field) => this.claims.fields(key).has(field))
    if (isTheirs) return false
    return this.site.plannedStanding(this.orders.plan, thing).includes(standing)
  }

  #thing(key: string): Thing | undefined {
    if (key === 'settings/site') return this.site.settings()
    return thingsOf(this.site).find((one) => one.key === key)?.thing
  }

  /** When a run ends well, forums that it has made stand as planned, and nobody is left in a group that the plan does not give. */
  end(): void {
    const all = thingsOf(this.site)
    for (const { key, room, thing } of all)
      if (people.has(room) && !this.claims.isMade(key) && this.orders.plan.has(`members/${String(thing.username)}`))
        for (const standing of this.site.standing(thing)) {
          const [kind = '', id = ''] = standing.split(' ')
          if (kind !== 'group' || this.claims.fields(key).has(`groups.${id}`)) continue
          if (!this.site.plannedStanding(this.orders.plan, thing).includes(standing))
            this.trouble(`${key} (${String(thing.username)}) is left in ${standing}`)
        }
    for (const { key, room, thing } of all)
      if (this.#fresh.has(key)) {
        const planned = this.site.plannedAudience(this.orders.plan, this.site.refOf(room, thing))
        const more = this.site.audience(room, thing).filter((who) => !planned?.includes(who))
        if (more.length > 0 && planned) this.trouble(`${key} stays open: ${more.join()}`)
      }
  }
}

const isEmpty = (forum: Thing, all: ReturnType<typeof thingsOf>): boolean =>
  all.every(({ room, thing }) => room !== 'topics' || thing.forum !== forum.id)

function add(all: Map<string, Set<string>>, key: string, more: readonly string[]): void {
  all.set(key, new Set([...(all.get(key) ?? []), ...more]))
}

/** Every file below a folder, as text. */
export function textsIn(folder: string): { folder: string; name: string; text: string }[] {
  try {
    return readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile())
      .map(({ parentPath, name }) => ({ folder: parentPath, name, text: readFileSync(join(parentPath, name), 'utf8') }))
  } catch {
    return []
  }
}
