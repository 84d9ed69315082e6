import { plannedAccounts } from '../core/accounts.js'
import type { Baseline } from '../core/baseline/schema.js'
import { UnpackError } from '../core/errors.js'
import type { Keeper, Login, Session, SignedIn } from '../systems/session.js'
import { refuseUnproven } from './proven.js'
import type { Account } from './account.js'
import type { RunOptions } from './options.js'
import type { ReachedSite } from './site.js'

/** A stored login; `renewed` with the password that was being put in its place. */
type LikelyLogin = Login & { renewed?: boolean }

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
    const { username, signInAs } = this.baseline.owner
    const host = signInAs !== undefined && signInAs !== username
    throw UnpackError.of('login-missing', { address: this.site.home, user: signInAs ?? username, file, host })
  }

  /**
   * Signs in as the owner. @param signal what stops it; the run's own where left out
   * @throws UnpackError `login-missing`, `login-refused`, `not-proven`
   */
  async signIn(signal?: AbortSignal): Promise<SignedIn> {
    const { home, system } = this.site
    const { session, login } = await this.#enter(
      async (one) => (await this.#resumed(one, signal)) ?? system.signIn(this.site.visitor(signal), one),
    )
    await this.#keep(session)
    // of a run that was stopped in between: the new password is the only one from now on
    if (login.renewed) await this.options.logins.promote?.(home, login.username)
    return session
  }

  /** The same in a session of its own, whatever an earlier run has kept. */
  async signInAnew(): Promise<SignedIn> {
    return (await this.#enter((one) => this.site.system.signIn(this.site.visitor(), one))).session
  }

  async #enter(
    enter: (login: Login) => Promise<SignedIn | undefined>,
  ): Promise<{ session: SignedIn; login: LikelyLogin }> {
    const { username } = await this.owners()
    this.account.tell({ is: 'phase', phase: 'sign in', text: username })
    return this.#open(enter)
  }

  /** The session that an earlier run has kept, where it is still open. */
  async #resumed(login: Login, signal?: AbortSignal): Promise<SignedIn | undefined> {
    const { session } = login
    return session && this.site.system.resume?.(this.site.visitor(signal), { ...login, session })
  }

  /** Keeps a session for the next run, where a site bears few sign-ins; it stays open. */
  async #keep(session: SignedIn): Promise<void> {
    const kept = await session.kept?.()
    if (!kept || !this.options.logins.keepSession) return
    this.account.guard.add(kept)
    await this.options.logins.keepSession(this.site.home, session.login.username, kept)
    session.signOut = () => Promise.resolve()
  }

  /**
   * Whoever fills the first-run form: anybody, or where the system wants a login for it, the host's.
   * @throws UnpackError `login-missing`, `login-refused`, `not-proven`
   */
  async atFirstRun(): Promise<Session> {
    const { system, surveyed } = this.site
    if (system.enterFirstRun)
      return (await this.#open(async (login) => system.enterFirstRun?.(this.site.visitor(), login), false)).session
    // nobody signs in before the form is sent: a version that is not told now is told too late
    if (surveyed.findings.system) refuseUnproven(surveyed.findings.system, this.options)
    return this.site.stranger()
  }

  /** Tries the likely logins one after the other. @param isMade whether there is a site already, with accounts of its own */
  async #open(
    enter: (login: Login) => Promise<SignedIn | undefined>,
    isMade = true,
  ): Promise<{ session: SignedIn; login: LikelyLogin }> {
    const { username } = await this.owners()
    for (const login of await this.#likely()) {
      const session = await enter(login)
      if (!session) continue
      // whoever looks after the server opens it as well: that is no way past a password of the owner's that is wrong
      if (isMade && login.username !== username && (await this.site.system.hasAccount?.(session, username))) {
        await session.signOut()
        continue
      }
      await this.#provenAtLast(session)
      return { session, login }
    }
    const { temporary: host } = await this.owners()
    throw UnpackError.of('login-refused', { address: this.site.home, user: username, host })
  }

  /** A version that visitors are not told is known now, and has to be one that Unpack is proven with. */
  async #provenAtLast(session: SignedIn): Promise<void> {
    const { system, surveyed } = this.site
    const known = surveyed.findings.system
    if (!known || known.proven !== undefined || !system.version) return
    const told = await system.version(session)
    // a server without such a site may tell nobody: it is decided when the site is made
    if (!told) return
    Object.assign(known, told)
    try {
      refuseUnproven(known, this.options)
    } catch (error) {
      await session.signOut().catch(() => undefined)
      throw error
    }
  }

  /** The host's temporary login for the whole server, where such a login makes the site. */
  async keeper(): Promise<Keeper | undefined> {
    return (await this.#likely())[0]?.keeper
  }

  /** The likeliest first; of one that was being renewed, both passwords. */
  async #likely(): Promise<LikelyLogin[]> {
    const { owner } = this.baseline
    const all = await this.options.logins.at(this.site.home)
    for (const { password, next, session } of all) this.account.guard.add(password, next, session)
    const named = [owner.username, owner.signInAs].flatMap((name) => all.filter(({ username }) => username === name))
    const planned = new Set(plannedAccounts(this.baseline).map(({ username }) => username))
    const others = all.filter(({ username }) => !planned.has(username))
    const [only, another] = others.filter((one) => !named.includes(one))
    const host = only && !another ? [only] : []
    // where a server's own login makes the site, it opens it as long as the owner has none there
    const found = named.length > 0 && !this.site.system.enterFirstRun ? named : [...named, ...host]
    const keeper = this.site.system.enterFirstRun && found.findLast(({ temporary }) => temporary)
    const more = { email: owner.email, ...(keeper && { keeper }) }
    return found.flatMap(({ username, password, temporary, next, session }) => [
      { username, password, temporary, session, ...more },
      ...(next ? [{ username, password: next, renewed: true, ...more }] : []),
    ])
  }
}
