import { readFile } from 'node:fs/promises'
import { dirname } from 'node:path'
import lockfile from 'proper-lockfile'
import writeFileAtomic from 'write-file-atomic'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import { envelopeOf, newKey, openKey, openLogins, sealLogins, type StoredLogin } from './sealed.js'
import { makeFolder } from '../disk/make-folder.js'
import { fileTrouble } from '../disk/trouble.js'

export type { StoredLogin } from './sealed.js'

/** What sort of login it is. */
export type LoginKind = Pick<StoredLogin, 'temporary' | 'door'>

/** scrypt's work factor, as a power of two: OWASP's least for a password store, about a second here, paid once a run. */
const WORK = 17

const isOf =
  (address: string, username: string, door = false) =>
  (login: StoredLogin) =>
    login.address === address && login.username === username && (login.door ?? false) === door

/**
 * The encrypted file that holds user names and passwords. Its key opens with the passphrase, slowly and once; everything
 * after that takes milliseconds. Every change reads what is on disk first, so that runs side by side lose nothing.
 * Format: docs/logins.md.
 */
export class LoginsFile {
  private constructor(
    readonly file: string,
    private readonly key: string,
    private readonly identity: string,
    private logins: StoredLogin[],
  ) {}

  /**
   * Opens a logins file, or makes one where there is none (it is written with its first login).
   * @param work scrypt's work factor for a new file, as a power of two
   * @throws UnpackError `passphrase-wrong`, `logins-broken`
   * @example const logins = await LoginsFile.open('logins.json', new Secret(passphrase))
   */
  static async open(file: string, passphrase: Secret, work = WORK): Promise<LoginsFile> {
    const text = await textOf(file)
    if (text === undefined) {
      const { key, identity } = await newKey(passphrase, work)
      return new LoginsFile(file, key, identity, [])
    }
    const envelope = envelopeOf(text, file)
    const identity = await openKey(envelope, passphrase, file)
    return new LoginsFile(file, envelope.key, identity, await openLogins(envelope, identity, file))
  }

  /** All logins, by address and user name. */
  list(): readonly StoredLogin[] {
    return [...this.logins].sort((a, b) => a.address.localeCompare(b.address) || a.username.localeCompare(b.username))
  }

  find(address: string, username: string): StoredLogin | undefined {
    return this.logins.find(isOf(address, username))
  }

  /** All logins for an address. */
  at(address: string): readonly StoredLogin[] {
    return this.logins.filter((login) => login.address === address && !login.door)
  }

  /** What opens the door in front of an address: of the address itself, or of its whole host. */
  door(address: string): StoredLogin | undefined {
    const doors = this.logins.filter((login) => login.door && address.startsWith(login.address))
    return doors.sort((a, b) => b.address.length - a.address.length)[0]
  }

  /** Stores a login, in place of an older one of that name; when this returns, it is on disk. */
  async put(address: string, username: string, password: Secret, more: LoginKind = {}): Promise<void> {
    const login: StoredLogin = { address, username, password, since: new Date().toISOString(), ...more }
    const older = isOf(address, username, more.door)
    await this.#change((logins) => [...logins.filter((one) => !older(one)), login])
  }

  /** Stores the password that is about to take another's place, beside it. */
  async prepare(address: string, username: string, next: Secret): Promise<void> {
    const own = isOf(address, username)
    await this.#change((logins) => logins.map((login) => (own(login) ? { ...login, next } : login)))
  }

  /** The prepared password has opened the site: it takes the other's place. */
  async promote(address: string, username: string): Promise<void> {
    const own = isOf(address, username)
    await this.#change((logins) =>
      logins.map((login) =>
        own(login)
          ? { address, username, password: login.next ?? login.password, since: new Date().toISOString() }
          : login,
      ),
    )
  }

  /** Stores a session beside the login that has opened it, or forgets it. */
  async keepSession(address: string, username: string, session: Secret | undefined): Promise<void> {
    const own = isOf(address, username)
    await this.#change((logins) => logins.map((login) => (own(login) ? { ...login, session } : login)))
  }

  /** Forgets a login; false if there was none. */
  async remove(address: string, username: string): Promise<boolean> {
    const older = (login: StoredLogin) => login.address === address && login.username === username
    if (!this.logins.some(older)) return false
    await this.#change((logins) => logins.filter((one) => !older(one)))
    return true
  }

  /** Changes of this process come one after another; those of others are waited for. */
  #change(change: (logins: StoredLogin[]) => StoredLogin[]): Promise<void> {
    const done = this.#last.then(() => this.#changeNow(change))
    this.#last = done.catch(() => undefined)
    return done
  }
  #last: Promise<unknown> = Promise.resolve()

  async #changeNow(change: (logins: StoredLogin[]) => StoredLogin[]): Promise<void> {
    try {
      makeFolder(dirname(this.file))
      const patience = { retries: 100, minTimeout: 25, maxTimeout: 500 }
      const unlock = await lockfile.lock(this.file, { realpath: false, stale: 10_000, retries: patience })
      try {
        const logins = change(await this.#onDisk())
        // whole or not at all, and through a link to the file itself
        await writeFileAtomic(this.file, await sealLogins(logins, this.key, this.identity), { mode: 0o600 })
        this.logins = logins
      } finally {
        await unlock()
      }
    } catch (error) {
      throw fileTrouble(error, this.file)
    }
  }

  /** What is on disk now: another run may have stored a login since this one opened the file. */
  async #onDisk(): Promise<StoredLogin[]> {
    const text = await textOf(this.file)
    if (text === undefined) return this.logins
    const envelope = envelopeOf(text, this.file)
    if (envelope.key !== this.key) throw UnpackError.of('logins-changed', { file: this.file })
    return openLogins(envelope, this.identity, this.file)
  }
}

/** A file's text; undefined if there is none. */
async function textOf(file: string): Promise<string | undefined> {
  try {
    return await readFile(file, 'utf8')
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined
    throw fileTrouble(error, file)
  }
}
