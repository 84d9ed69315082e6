import { seenActions, type EyesRow } from '../core/area.js'
import type { Inventory } from '../core/areas/index.js'
import type { Comparison } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import { expectations } from '../core/expect.js'
import { foundAt } from '../core/inventory.js'
import { nameIn } from '../core/ref.js'
import type { Check, EyesCell } from '../core/report/report.js'
import type { LookedAt, Seen } from '../systems/system.js'
import type { Visitor } from '../web/visitor.js'
import { lookFailure } from './error-of.js'
import type { Run } from './run.js'

/** Somebody who looks. */
export interface Onlooker {
  /** `visitor`, `owner`, or `member` and a user name. */
  as: string
  /** Whom they stand for in the table: `everyone`, `members`, the name of a group, `administrators`. */
  of: readonly string[]
}
/** Those nobody stands for, and why. */
interface Unseen {
  of: string
  why: string
}

/**
 * Everybody who looks at the public side, each in a session of their own, which is shared by all that is looked at. What each
 * may do is read there, never from a form of the dashboard.
 */
export class ManyEyes {
  readonly #looks = new Map<string, Promise<ReadonlyMap<string, Seen>>>()
  readonly #visitors = new Map<string, Promise<Visitor>>()
  readonly unseen: Unseen[] = []
  #onlookers: Promise<Onlooker[]> | undefined

  constructor(private readonly run: Run) {}

  /** A visitor, a plain member, a member of each group, and the owner; as far as there are such. */
  onlookers(): Promise<Onlooker[]> {
    this.#onlookers ??= this.#choose()
    return this.#onlookers
  }

  async #choose(): Promise<Onlooker[]> {
    const { baseline, options, site } = this.run
    const { home, system } = site
    const stored = new Set((await options.logins.at(home)).map(({ username }) => username))
    const members = (baseline.members ?? []).filter(({ username }) => stored.has(username))
    const onlookers: Onlooker[] = [{ as: 'visitor', of: ['everyone'] }]
    let left = system.eyes?.signIns ?? 0
    const choose = (of: string, fits: (groups: readonly string[]) => boolean, whom: string) => {
      const member = members.find(({ groups }) => fits(groups))
      if (!member) this.unseen.push({ of, why: `the baseline has no ${whom} whose login is stored` })
      else if (left-- <= 0)
        this.unseen.push({ of, why: `this system bears ${system.eyes?.signIns ?? 0} sign-ins in a run` })
      else onlookers.push({ as: `member ${member.username}`, of: ['members', ...member.groups] })
    }
    choose('members', (groups) => groups.length === 0, 'member without a group')
    for (const { name } of baseline.groups ?? [])
      if (!onlookers.some(({ of }) => of.includes(name)))
        choose(name, (groups) => groups.includes(name), `member of “${name}”`)
    return [...onlookers, { as: 'owner', of: ['administrators'] }]
  }

  /** Somebody's own browser, signed in on the public side. */
  visitor(as: string): Promise<Visitor> {
    const known = this.#visitors.get(as)
    if (known) return known
    const made = this.#enter(as)
    this.#visitors.set(as, made)
    return made
  }

  async #enter(as: string): Promise<Visitor> {
    const { run } = this
    const visitor = run.site.visitor()
    if (as === 'visitor') return visitor
    const name = as === 'owner' ? (await run.logins.owners()).username : as.replace(/^member /, '')
    const login = await run.options.logins.find(run.site.home, name)
    if (!login)
      throw UnpackError.of('login-missing', { address: run.site.home, user: name, file: run.options.logins.file })
    run.account.guard.add(login.password)
    if (!(await run.site.system.eyes?.signIn(visitor, login)))
      throw UnpackError.of('login-refused', { address: run.site.home, user: name })
    return visitor
  }

  /** What somebody may do in each of the forums; every onlooker looks once. */
  look(as: string, forums: readonly LookedAt[]): Promise<ReadonlyMap<string, Seen>> {
    const known = this.#looks.get(as)
    if (known) return known
    const taken = this.visitor(as).then((visitor) => this.run.site.system.eyes?.look(visitor, forums) ?? new Map())
    this.#looks.set(as, taken)
    return taken
  }

  /** Everybody who signed in leaves. */
  async close(): Promise<void> {
    const all = [...this.#visitors].filter(([as]) => as !== 'visitor')
    this.#visitors.clear()
    const leave = async (made: Promise<Visitor>) => this.run.site.system.eyes?.signOut(await made)
    await Promise.allSettled(all.map(([, made]) => leave(made)))
  }
}

/** What everybody should find in each forum of the baseline, and the forums as those who look are shown them. */
export function plannedEyes(
  run: Run,
  { settled }: Comparison,
  inventory: Inventory,
): { table: EyesRow[]; forums: LookedAt[] } {
  const table = expectations(settled, run.baseline).flatMap((one) => (one.look === 'eyes' ? one.table : []))
  const forums = table.flatMap(({ forum }) => {
    const found = foundAt(inventory, forum)
    return found ? [{ ref: forum, id: found.id }] : []
  })
  return { table, forums }
}

/** Looks at every forum through everybody’s eyes; a wrong cell fails its check, and is named. */
export async function lookThroughEyes(
  eyes: ManyEyes,
  table: readonly EyesRow[],
  forums: readonly LookedAt[],
): Promise<{ checks: Check[]; cells: EyesCell[] }> {
  const onlookers = await eyes.onlookers()
  const looked = await Promise.all(
    onlookers.map(async (onlooker) => {
      try {
        return { onlooker, seen: await eyes.look(onlooker.as, forums) }
      } catch (error) {
        return { onlooker, failure: lookFailure(error) }
      }
    }),
  )
  const checks: Check[] = []
  const cells: EyesCell[] = []
  for (const { forum, may } of table) {
    const path = nameIn(forum)
    for (const { onlooker, seen, failure } of looked) {
      const planned = seenActions.filter((action) => onlooker.of.some((subject) => may[action].includes(subject)))
      const here = seen?.get(forum)
      const can = here ? seenActions.filter((action) => here[action]) : []
      const wrong = seenActions.filter((action) => planned.includes(action) !== can.includes(action))
      const ok = seen !== undefined && wrong.length === 0
      cells.push({ forum: path, as: onlooker.as, planned, seen: seen === undefined ? null : can, ok })
      checks.push({
        name: `“${path}” is as open to ${inWords(onlooker.as)} as planned`,
        as: onlooker.as,
        ok,
        detail:
          failure ??
          (ok
            ? can.length === 0
              ? 'it is not to be seen'
              : `may ${can.join(', ')}`
            : wrong
                .map(
                  (action) =>
                    `${can.includes(action) ? 'may' : 'can’t'} ${action}, and should${can.includes(action) ? ' not' : ''}`,
                )
                .join('; ')),
      })
    }
    for (const { of, why } of eyes.unseen) {
      const planned = seenActions.filter((action) => may[action].includes(of))
      cells.push({ forum: path, as: of, planned, seen: null, why, ok: true })
    }
  }
  return { checks, cells }
}

export const inWords = (as: string): string => (as === 'visitor' ? 'a visitor' : as === 'owner' ? 'the owner' : as)
