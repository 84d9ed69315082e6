import type { Secret } from '../core/secret.js'
import { LoginsFile, type StoredLogin } from './file.js'

type Soon<T> = T | Promise<T>

/** What a run needs of a logins file. */
export interface Logins {
  readonly file: string
  find(address: string, username: string): Soon<StoredLogin | undefined>
  /** All logins for an address, whatever their user names. */
  at(address: string): Soon<readonly StoredLogin[]>
  put(address: string, username: string, password: Secret): Promise<void>
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
  async put(address: string, username: string, password: Secret): Promise<void> {
    await (await this.open()).put(address, username, password)
  }
}
