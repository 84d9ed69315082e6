import { z } from 'zod'
import { UnpackError } from '../core/errors.js'
import { Secret } from '../core/secret.js'

/** The ciphers, loaded when a logins file is first opened: other commands start faster without them. */
const age = () => import('age-encryption')

/** A login as the file holds it. */
export interface StoredLogin {
  address: string
  username: string
  password: Secret
  /** When it was stored; ISO 8601, UTC. */
  since: string
  /** True for the host's: Unpack puts one of the owner's own in its place. */
  temporary?: boolean
  /** The password that is about to take its place; kept beside it until it has opened the site. */
  next?: Secret
  /** A session of it that may still be open, where a site bears few sign-ins. */
  session?: Secret
  /** True for what stands in front of the site (HTTP Basic, RFC 7617), not in it. */
  door?: boolean
}

/** The file's outside: an age identity, encrypted to the passphrase, and the logins, encrypted to that identity. */
const envelope = z.strictObject({ unpackLogins: z.literal(1), key: z.string(), logins: z.string() })
export type Envelope = z.output<typeof envelope>
const contents = z.array(
  z.strictObject({
    address: z.string(),
    username: z.string(),
    password: z.string(),
    since: z.string(),
    temporary: z.boolean().optional(),
    next: z.string().optional(),
    session: z.string().optional(),
    door: z.boolean().optional(),
  }),
)

/** Reads the outside of a logins file. */
export function envelopeOf(text: string, file: string): Envelope {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    throw UnpackError.of('logins-broken', { file })
  }
  const known = envelope.safeParse(read)
  if (known.success) return known.data
  const version = (read as { unpackLogins?: unknown } | null)?.unpackLogins
  throw UnpackError.of(typeof version === 'number' && version > 1 ? 'logins-newer' : 'logins-broken', { file })
}

/** Makes a new key, and what the passphrase opens it from; slow on purpose. */
export async function newKey(passphrase: Secret, work: number): Promise<{ key: string; identity: string }> {
  const { armor, Encrypter, generateIdentity } = await age()
  const identity = await generateIdentity()
  const encrypter = new Encrypter()
  encrypter.setPassphrase(passphrase.reveal())
  encrypter.setScryptWorkFactor(work)
  return { key: armor.encode(await encrypter.encrypt(identity)), identity }
}

/** Opens the key with the passphrase; slow on purpose, and done once a run. */
export async function openKey({ key }: Envelope, passphrase: Secret, file: string): Promise<string> {
  const { Decrypter } = await age()
  const opener = new Decrypter()
  opener.addPassphrase(passphrase.reveal())
  return opener.decrypt(await bytesOf(key, file), 'text').catch(() => {
    throw UnpackError.of('passphrase-wrong', { file })
  })
}

/** Opens the logins with the key; takes milliseconds. */
export async function openLogins({ logins }: Envelope, identity: string, file: string): Promise<StoredLogin[]> {
  const { Decrypter } = await age()
  const opener = new Decrypter()
  opener.addIdentity(identity)
  try {
    const plain = await opener.decrypt(await bytesOf(logins, file), 'text')
    return contents.parse(JSON.parse(plain)).map(({ password, next, session, ...login }) => ({
      ...login,
      password: new Secret(password),
      ...(next !== undefined && { next: new Secret(next) }),
      ...(session !== undefined && { session: new Secret(session) }),
    }))
  } catch {
    throw UnpackError.of('logins-broken', { file })
  }
}

/** Seals the logins to the key; takes milliseconds. */
export async function sealLogins(logins: readonly StoredLogin[], key: string, identity: string): Promise<string> {
  const { armor, Encrypter, identityToRecipient } = await age()
  const encrypter = new Encrypter()
  encrypter.addRecipient(await identityToRecipient(identity))
  const plain = JSON.stringify(
    logins.map((login) => ({
      ...login,
      password: login.password.reveal(),
      next: login.next?.reveal(),
      session: login.session?.reveal(),
    })),
  )
  const sealed: Envelope = { unpackLogins: 1, key, logins: armor.encode(await encrypter.encrypt(plain)) }
  return `${JSON.stringify(sealed, null, 2)}\n`
}

async function bytesOf(armored: string, file: string): Promise<Uint8Array> {
  const { armor } = await age()
  try {
    return armor.decode(armored)
  } catch {
    throw UnpackError.of('logins-broken', { file })
  }
}
