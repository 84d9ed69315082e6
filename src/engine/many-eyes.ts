import { onlookersOf, type Onlookers, type WhoIsWhere } from '../core/access/onlookers.js'
import { UnpackError } from '../core/errors.js'
import type { Seen } from '../systems/eyes.js'
import type { Visitor } from '../web/visitor.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Watched } from './watched.js'
import type { Account } from './account.js'
import type { LoginsHere } from './logins-here.js'
import type { RunOptions } from './options.js'
import type { ReachedSite } from './site.js'

/**
 * Everybody who looks at the public side, each in a session of their own, which is shared by all that is looked at. What each
 * may do is read there, never from a form of the dashboard.
 */
export class ManyEyes {
  readonly #looks = new Map<string, Promise<ReadonlyMap<string, Seen>>>()
  readonly #visitors = new Map<string, Promise<Visitor>>()
  #chosen: Promise<Onlookers> | undefined
  #where: WhoIsWhere | undefined

  constructor(
    private readonly run: {
      readonly baseline: Baseline
      readonly options: Pick<RunOptions, 'logins'>
      readonly site: ReachedSite
      readonly logins: LoginsHere
      readonly account: Account
    },
  ) {}

  /** Takes in who is where by now: it decides who looks. */
  know(where: WhoIsWhere): void {
    this.#where = where
  }

  /** Everybody who can look here, and those nobody stands for. */
  onlookers(): Promise<Onlookers> {
    this.#chosen ??= this.#choose()
    return this.#chosen
  }

  async #choose(): Promise<Onlookers> {
    const { baseline, options, site } = this.run
    const stored = new Set((await options.logins.at(site.home)).map(({ username }) => username))
    return onlookersOf(baseline, stored, site.system.publicSide?.signIns ?? 0, this.#where)
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
    const visitor = run.site.publicVisitor()
    if (as === 'visitor') return visitor
    const name = as === 'owner' ? (await run.logins.owners()).username : as.replace(/^member /, '')
    const login = await run.options.logins.find(run.site.home, name)
    if (!login)
      throw UnpackError.of('login-missing', { address: run.site.home, user: name, file: run.options.logins.file })
    run.account.guard.add(login.password)
    if (!(await run.site.system.publicSide?.signIn(visitor, login)))
      throw UnpackError.of('login-refused', { address: run.site.home, user: name })
    return visitor
  }

  /** What somebody may do with each of the things; every onlooker looks once at what an area is about. */
  look(as: string, { area, way, things }: Watched): Promise<ReadonlyMap<string, Seen>> {
    const name = `${area} ${as}`
    const known = this.#looks.get(name)
    if (known) return known
    const taken = this.visitor(as).then((visitor) => way.look(visitor, things))
    this.#looks.set(name, taken)
    return taken
  }

  /** Everybody who signed in leaves. */
  async close(): Promise<void> {
    const all = [...this.#visitors].filter(([as]) => as !== 'visitor')
    this.#visitors.clear()
    const leave = async (made: Promise<Visitor>) => this.run.site.system.publicSide?.signOut(await made)
    await Promise.allSettled(all.map(([, made]) => leave(made)))
  }
}
