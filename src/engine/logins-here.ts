import { plannedAccounts } from '../core/accounts.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import type { Login, Session, SignedIn } from '../systems/session.js'
import type { Account } from './account.js'
import type { RunOptions } from './options.js'
import type { ReachedSite } from './site.js'

/** The stored logins that may open a site for its owner. */
export class LoginsHere {
  /** Accounts whose stored login was refused in this run: it is not tried a second time. */
  readonly refused = new Set<string>()
  constructor(
    private readonly site: ReachedSite,
    private readonly baseline: Baseline,
    private readonly options: Pick<RunOptions, 'logins' | 'unproven'>,
    private readonly account: Account,
  ) {}

  /**
   * The owner's login, from the logins file. Where it is not there, the only one for this address will do: the user name
   * is then told as different.
   * @throws UnpackError `login-missing`
   */
  async owners(): Promise<Login> {
    const [first] = await this.#likely()
    if (first) return first
    const { file } = this.options.logins
    throw UnpackError.of('login-missing', { address: this.site.home, user: this.baseline.owner.username, file })
  }

  /**
   * Signs in as the owner. @param signal what stops it; the run's own where left out
   * @throws UnpackError `login-missing`, `login-refused`
   */
  async signIn(signal?: AbortSignal): Promise<SignedIn> {
    const { username } = await this.owners()
    const { home, system } = this.site
    this.account.tell({ is: 'phase', phase: 'sign in', text: username })
    for (const login of await this.#likely()) {
      const session = await system.signIn(this.site.visitor(signal), login)
      if (!session) continue
      await this.#provenAtLast(session)
      // of a run that was stopped in between: the new password is the only one from now on
      if (login.renewed) await this.options.logins.promote?.(home, login.username)
      return session
    }
    throw UnpackError.of('login-refused', { address: home, user: username })
  }

  /**
   * Whoever fills the first-run form: anybody, or where the system wants a login for it, the host's.
   * @throws UnpackError `login-missing`, `login-refused`
   */
  async atFirstRun(): Promise<Session> {
    const { system, home } = this.site
    if (!system.enterFirstRun) return this.site.stranger()
    const { username } = await this.owners()
    for (const login of await this.#likely()) {
      const session = await system.enterFirstRun(this.site.visitor(), login)
      if (session) return session
    }
    throw UnpackError.of('login-refused', { address: home, user: username })
  }

  /** A version that visitors are not told is known now, and has to be one that Unpack is proven with. */
  async #provenAtLast(session: SignedIn): Promise<void> {
    const { system, surveyed } = this.site
    const known = surveyed.findings.system
    if (known?.proven !== undefined || !known || !system.version) return
    Object.assign(known, await system.version(session))
    if ((known as { proven?: boolean }).proven === true || this.options.unproven) return
    await session.signOut().catch(() => undefined)
    throw UnpackError.of('not-proven', {
      system: system.name,
      version: known.version || 'of a version it does not tell',
    })
  }

  /** The likeliest first; of one that was being renewed, both passwords. */
  async #likely(): Promise<(Login & { renewed?: boolean })[]> {
    const { owner } = this.baseline
    const all = await this.options.logins.at(this.site.home)
    for (const { password, next } of all) this.account.guard.add(password, next)
    const named = [owner.username, owner.signInAs].flatMap((name) => all.filter(({ username }) => username === name))
    const planned = new Set(plannedAccounts(this.baseline).map(({ username }) => username))
    const others = all.filter(({ username }) => !planned.has(username))
    const found = named.length > 0 ? named : others.length === 1 ? others : []
    return found.flatMap(({ username, password, temporary, next }) => [
      { username, password, temporary },
      ...(next ? [{ username, password: next, renewed: true }] : []),
    ])
  }
}
