import type { Claims } from './claims.js'
import { thingsOf, type Snapshot } from './snapshot.js'
import type { Site, Thing } from './site.js'
import type { Orders } from './watch.js'

type Things = ReturnType<typeof thingsOf>

/** What the watch over a run knows of its fields. */
interface Fields {
  /** What was there when the run began. */
  first: Snapshot
  /** Whether a person has set a field so late that the run could not have read it. */
  isUnread(key: string, field: string): boolean
  /** Whether a person has set a field during the run. */
  wasSet(key: string, field: string): boolean
}

export const people = new Set(['accounts', 'members'])

/** Watches who may see and do what during a run: nobody more than people and plan allow together. */
export class AccessWatch {
  readonly #audience = new Map<string, Set<string>>()
  readonly #standing = new Map<string, Set<string>>()
  readonly #fresh = new Set<string>()

  constructor(
    private readonly site: Site,
    private readonly claims: Claims,
    private readonly orders: Orders,
    private readonly fields: Fields,
    private readonly trouble: (text: string) => void,
  ) {
    this.grant()
  }

  /** Who may do what with each thing, as far as the run has seen. */
  get audience(): ReadonlyMap<string, ReadonlySet<string>> {
    return this.#audience
  }

  /** Everything that is possible now counts as allowed. */
  grant(): void {
    for (const { key, room, thing } of thingsOf(this.site)) {
      if (people.has(room)) add(this.#standing, key, this.site.standing(thing))
      add(this.#audience, key, this.site.audience(room, thing))
    }
  }

  look(line: string): void {
    const all = thingsOf(this.site)
    for (const { key, room, thing } of all) {
      if (people.has(room)) this.#standingOf(key, thing, line)
      this.#audienceOf(key, room, thing, all, line)
    }
  }

  #audienceOf(key: string, room: string, thing: Thing, all: Things, line: string): void {
    const known = this.#audience.get(key) ?? new Set<string>()
    const isAllowed = (who: string) => known.has(who) || known.has(who.replace(/ .*/, ' everyone'))
    const more = this.site.audience(room, thing).filter((who) => !isAllowed(who))
    if (more.length === 0) return
    this.#audience.set(key, new Set([...known, ...more]))
    const { plan, open, isUndo } = this.orders
    const ref = this.site.refOf(room, thing)
    // a new, empty forum has the rights that its system gives to new ones, until its own form is sent
    if (room === 'forums' && !this.fields.first.has(key) && !this.claims.isMade(key) && isEmpty(thing, all)) {
      this.#audience.set(key, known)
      this.#fresh.add(key)
      return
    }
    if (isUndo && (!this.#hasWords(key) || this.#wasAsOpen(key, more))) return
    if (open.includes(ref)) return
    const planned = this.site.plannedAudience(plan, ref)
    for (const who of more) {
      const right = `${key} (${ref}): ${who}, after ${line}`
      if (!planned?.includes(who)) this.trouble(`opened, and not planned: ${right}`)
      else if (this.#hasWords(key)) this.trouble(`opened, with a person’s words in it: ${right}`)
      this.#groupOf(who, right, all)
    }
  }
  /** A group gets a right: only those may be in it who are allowed to have that. */
  #groupOf(who: string, right: string, all: Things): void {
    const [, group] = /(group \d+)$/.exec(who) ?? []
    // people let in by themselves whom they put into a group that the tool made
    if (group === undefined || !this.claims.isMade(`groups/${group.slice(6)}`)) return
    const strangers = all.filter(
      (one) =>
        people.has(one.room) &&
        this.site.standing(one.thing).includes(group) &&
        !this.#mayHave(one.key, one.thing, group),
    )
    if (strangers.length > 0)
      this.trouble(`a right for a group with a stranger in it: ${right}: ${strangers.map((one) => one.key).join()}`)
  }
  /** Whether they could do so before the run that is undone, and every word of a person's in it was there already. */
  #wasAsOpen(key: string, more: readonly string[]): boolean {
    const { audience, fields } = this.orders.formerly ?? {}
    const words = [...this.claims.fields(key)].filter(([, value]) => /word\d/.test(value ?? ''))
    return (
      more.every((who) => audience?.get(key)?.has(who)) &&
      words.every(([field, value]) => fields?.get(key)?.get(field) === value)
    )
  }
  /** Whether a thing holds what a person wrote. */
  #hasWords(key: string): boolean {
    const fields = [...this.claims.fields(key)]
    const hasWord = fields.some(([field, value]) => /word\d/.test(value ?? '') && !this.fields.isUnread(key, field))
    return this.claims.isMade(key) || hasWord
  }

  #standingOf(key: string, thing: Thing, line: string): void {
    const known = this.#standing.get(key) ?? new Set<string>()
    for (const one of this.site.standing(thing).filter((one) => !known.has(one))) {
      add(this.#standing, key, [one])
      if (this.orders.isUndo && !this.claims.isMade(key)) continue
      if (this.orders.open.includes(`members/${String(thing.username)}`)) continue
      if (!this.#mayHave(key, thing, one)) this.trouble(`${key} (${String(thing.username)}) is ${one}, after ${line}`)
    }
  }
  /** An account of the tool's own may be what the plan says. */
  #mayHave(key: string, thing: Thing, standing: string): boolean {
    // a password that was changed during the run can't be read
    const isOpened = this.fields.wasSet(key, 'password') || !this.claims.fields(key).has('password')
    const isTheirs = this.claims.isMade(key) || this.claims.fields(key).has('email') || !isOpened
    return !isTheirs && this.site.plannedStanding(this.orders.plan, thing).includes(standing)
  }

  /**
   * After a run that ended well: new forums have their planned rights, and no member is in a group that the plan does not give.
   * @param isRemembered whether the run could know which memberships runs have given
   */
  end(isRemembered: boolean): void {
    const { plan } = this.orders
    const all = thingsOf(this.site)
    for (const { key, room, thing } of all)
      if (isRemembered && people.has(room) && !this.claims.isMade(key) && plan.has(`members/${String(thing.username)}`))
        for (const standing of this.site.standing(thing)) {
          const [kind = '', id = ''] = standing.split(' ')
          if (kind !== 'group' || this.claims.fields(key).has(`groups.${id}`)) continue
          if (!this.site.plannedStanding(plan, thing).includes(standing))
            this.trouble(`${key} (${String(thing.username)}) is left in ${standing}`)
        }
    for (const { key, room, thing } of all)
      if (this.#fresh.has(key)) {
        const planned = this.site.plannedAudience(plan, this.site.refOf(room, thing))
        const more = this.site.audience(room, thing).filter((who) => !planned?.includes(who))
        if (more.length > 0 && planned) this.trouble(`${key} stays open: ${more.join()}`)
      }
  }
}

const isEmpty = (forum: Thing, all: Things): boolean =>
  all.every(({ room, thing }) => room !== 'topics' || thing.forum !== forum.id)

function add(all: Map<string, Set<string>>, key: string, more: readonly string[]): void {
  all.set(key, new Set([...(all.get(key) ?? []), ...more]))
}
