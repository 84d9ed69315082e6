import { randomUUID } from 'node:crypto'
import { chmod, mkdir, open, readFile, rename } from 'node:fs/promises'
import { dirname } from 'node:path'
import { z } from 'zod'
import { UnpackError } from '../core/errors.js'
import { Secret } from '../core/secret.js'

/** The ciphers, loaded when a logins file is first opened: other commands start faster without them. */
const age = () => import('age-encryption')

/** scrypt's work factor, as a power of two: OWASP's least for a password store, about a second here, paid once a run. */
const WORK = 17

const envelope = z.strictObject({
  unpackLogins: z.literal(1),
  key: z.string().describe('An age identity, encrypted to the passphrase'),
  logins: z.string().describe('The logins, encrypted to that identity'),
})
const contents = z.array(
  z.strictObject({ address: z.string(), username: z.string(), password: z.string(), since: z.string() }),
)

export interface StoredLogin {
  address: string
  username: string
  password: Secret
  /** When it was stored; ISO 8601, UTC. */
  since: string
}

/**
 * The encrypted file that holds user names and passwords. Its key opens with the passphrase, slowly and once; everything
 * after that takes milliseconds. Format: docs/logins.md.
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
   */
  static async open(file: string, passphrase: Secret, work = WORK): Promise<LoginsFile> {
    const { armor, Decrypter, Encrypter, generateIdentity } = await age()
    const text = await readFile(file, 'utf8').catch((error: unknown) => {
      if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined
      throw UnpackError.of('logins-broken', { file })
    })
    if (text === undefined) {
      const identity = await generateIdentity()
      const encrypter = new Encrypter()
      encrypter.setPassphrase(passphrase.reveal())
      encrypter.setScryptWorkFactor(work)
      return new LoginsFile(file, armor.encode(await encrypter.encrypt(identity)), identity, [])
    }
    const { key, logins } = parsed(text, file)
    const broken = () => UnpackError.of('logins-broken', { file })
    const opener = new Decrypter()
    opener.addPassphrase(passphrase.reveal())
    const identity = await opener.decrypt(bytes(armor, key, broken), 'text').catch(() => {
      throw UnpackError.of('passphrase-wrong', { file })
    })
    const reader = new Decrypter()
    reader.addIdentity(identity)
    const plain = await reader.decrypt(bytes(armor, logins, broken), 'text').catch(() => {
      throw broken()
    })
    const stored = contents.safeParse(JSON.parse(plain))
    if (!stored.success) throw UnpackError.of('logins-broken', { file })
    return new LoginsFile(
      file,
      key,
      identity,
      stored.data.map((login) => ({ ...login, password: new Secret(login.password) })),
    )
  }

  list(): readonly StoredLogin[] {
    return [...this.logins].sort((a, b) => a.address.localeCompare(b.address) || a.username.localeCompare(b.username))
  }

  find(address: string, username: string): StoredLogin | undefined {
    return this.logins.find((login) => login.address === address && login.username === username)
  }

  at(address: string): readonly StoredLogin[] {
    return this.logins.filter((login) => login.address === address)
  }

  /** Stores a login, in place of an older one of that name; when this returns, it is on disk. */
  async put(address: string, username: string, password: Secret): Promise<void> {
    const others = this.logins.filter((login) => login.address !== address || login.username !== username)
    await this.#write([...others, { address, username, password, since: new Date().toISOString() }])
  }

  async remove(address: string, username: string): Promise<boolean> {
    const others = this.logins.filter((login) => login.address !== address || login.username !== username)
    if (others.length === this.logins.length) return false
    await this.#write(others)
    return true
  }

  async #write(logins: StoredLogin[]): Promise<void> {
    const { armor, Encrypter, identityToRecipient } = await age()
    const encrypter = new Encrypter()
    encrypter.addRecipient(await identityToRecipient(this.identity))
    const plain = JSON.stringify(logins.map((login) => ({ ...login, password: login.password.reveal() })))
    const text = `${JSON.stringify({ unpackLogins: 1, key: this.key, logins: armor.encode(await encrypter.encrypt(plain)) }, null, 2)}\n`
    await writeAtomically(this.file, text)
    this.logins = logins
  }
}

/** The bytes behind age's armour. */
function bytes(armor: { decode(text: string): Uint8Array }, armored: string, broken: () => Error): Uint8Array {
  try {
    return armor.decode(armored)
  } catch {
    throw broken()
  }
}

function parsed(text: string, file: string): z.output<typeof envelope> {
  try {
    return envelope.parse(JSON.parse(text))
  } catch {
    throw UnpackError.of('logins-broken', { file })
  }
}

/** Written beside the old one, flushed, then put in its place: a stop leaves one or the other, whole. */
async function writeAtomically(file: string, text: string): Promise<void> {
  await mkdir(dirname(file), { recursive: true, mode: 0o700 })
  const beside = `${file}.${randomUUID()}.new`
  const handle = await open(beside, 'wx', 0o600)
  try {
    await handle.writeFile(text)
    await handle.sync()
  } finally {
    await handle.close()
  }
  await chmod(beside, 0o600)
  await rename(beside, file)
}
