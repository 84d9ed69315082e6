import type { AnyDifference } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import { makePassword } from '../logins/password.js'
import { callCaller } from './caller.js'
import type { Run } from './run.js'

/**
 * The owner's password, on disk before it is used: made, asked for, or there already, as the baseline says.
 * @throws UnpackError `login-missing` where it is to be stored already and is not
 */
async function newPassword(run: Run): Promise<Secret> {
  const { baseline, options } = run
  const { home, system } = run.site
  const { username, password } = baseline.owner
  const own =
    password === 'made'
      ? makePassword(system.password)
      : password === 'asked'
        ? await callCaller('askPassword', () => options.askPassword?.(username))
        : undefined
  run.account.guard.add(own)
  if (own) return own
  throw UnpackError.of('login-missing', { address: home, user: username, file: options.logins.file })
}

const ownerIn = (differences: readonly AnyDifference[]): readonly string[] => {
  const own = differences.find(({ area }) => area === 'owner')
  return own?.is === 'different' ? own.fields : []
}

/** Makes sure that a login of the owner's is stored, for a form that makes the account. */
export async function loginOfOwner(run: Run): Promise<Secret> {
  const { logins } = run.options
  const { username } = run.baseline.owner
  const stored = await logins.find(run.site.home, username)
  if (stored) return stored.password
  const password = await newPassword(run)
  await logins.put(run.site.home, username, password)
  return password
}

/** What an owner's step sends: the stored password, or for the host's temporary one a new one that is stored beside it. */
export async function ownerSecret(run: Run, differences: readonly AnyDifference[]): Promise<Secret | undefined> {
  const { logins } = run.options
  const { username } = run.baseline.owner
  const stored = await logins.find(run.site.home, username)
  const fields = ownerIn(differences)
  if (!stored) return fields.includes('username') ? loginOfOwner(run) : undefined
  if (!fields.includes('password') || !logins.prepare) return stored.password
  return stored.next ?? prepared(run, username, await newPassword(run))
}

/** The password that takes the place of the host's temporary one for the whole server: stored beside it before it is sent. */
export async function serverSecret(run: Run, differences: readonly AnyDifference[]): Promise<Secret | undefined> {
  if (!ownerIn(differences).includes('server')) return undefined
  const keeper = await run.logins.keeper()
  return keeper && (keeper.next ?? prepared(run, keeper.username, makePassword(run.site.system.password)))
}

/** A new password, stored beside the one in use before it is sent. */
async function prepared(run: Run, username: string, next: Secret): Promise<Secret> {
  run.account.guard.add(next)
  await run.options.logins.prepare?.(run.site.home, username, next)
  return next
}

/** A new password has opened the site: it is the only one from now on. */
export async function keepOwner(run: Run, settled: readonly AnyDifference[]): Promise<void> {
  const { logins } = run.options
  const { home } = run.site
  const fields = ownerIn(settled)
  if (fields.includes('password')) await logins.promote?.(home, run.baseline.owner.username)
  const keeper = fields.includes('server') ? await run.logins.keeper() : undefined
  if (keeper) await logins.promote?.(home, keeper.username)
}
