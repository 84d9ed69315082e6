import type { Secret } from '../core/secret.js'
import { LoginsFile, type LoginKind, type StoredLogin } from './file.js'

/** Now or later. */
export type Soon<T> = T | Promise<T>

/** What a run needs of a logins file. */
export interface Logins {
  readonly file: string
  find(address: string, username: string): Soon<StoredLogin | undefined>
  /** All logins for an address, whatever their user names. */
  at(address: string): Soon<readonly StoredLogin[]>
  /** What opens the door in front of an address (HTTP Basic). */
  door?(address: string): Soon<StoredLogin | undefined>
  put(address: string, username: string, password: Secret, more?: LoginKind): Promise<void>
  /** Stores the password that is about to take another's place, beside it. */
  prepare?(address: string, username: string, next: Secret): Promise<void>
  /** The prepared password has opened the site. */
  promote?(address: string, username: string): Promise<void>
  /** Stores a session beside the login that has opened it, for the next run. */
  keepSession?(address: string, username: string, session: Secret | undefined): Promise<void>
}

/** A logins file that asks for its passphrase only when the first login is needed. */
export class LazyLogins implements Logins {
  #opened: Promise<LoginsFile> | undefined
  constructor(
    readonly file: string,
    private readonly passphrase: (isNew: boolean) => Promise<Secret>,
    private readonly exists: () => boolean,
  ) {}

  open(): Promise<LoginsFile> {
    this.#opened ??= this.passphrase(!this.exists()).then((passphrase) => LoginsFile.open(this.file, passphrase))
    return this.#opened
  }
  async find(address: string, username: string): Promise<StoredLogin | undefined> {
    // nothing stored yet: no need to ask for a passphrase to find that out
    return this.exists() || this.#opened ? (await this.open()).find(address, username) : undefined
  }
  async at(address: string): Promise<readonly StoredLogin[]> {
    return this.exists() || this.#opened ? (await this.open()).at(address) : []
  }
  async door(address: string): Promise<StoredLogin | undefined> {
    return this.exists() || this.#opened ? (await this.open()).door(address) : undefined
  }
  async put(address: string, username: string, password: Secret, more?: LoginKind): Promise<void> {
    await (await this.open()).put(address, username, password, more)
  }
  async prepare(address: string, username: string, next: Secret): Promise<void> {
    await (await this.open()).prepare(address, username, next)
  }
  async promote(address: string, username: string): Promise<void> {
    await (await this.open()).promote(address, username)
  }
  async keepSession(address: string, username: string, session: Secret | undefined): Promise<void> {
    await (await this.open()).keepSession(address, username, session)
  }
}
