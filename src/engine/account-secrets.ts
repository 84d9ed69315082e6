import { plannedAccounts } from '../core/accounts.js'
import type { AnyDifference } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import { makePassword } from '../logins/password.js'
import type { Run } from './run.js'

/**
 * The passwords of accounts that are about to be made, by their refs: each is in the logins file before it is sent.
 * @throws UnpackError `login-missing` where one is to be stored already and is not
 */
export async function accountSecrets(
  run: Run,
  differences: readonly AnyDifference[],
): Promise<{ [ref: string]: Secret }> {
  const { logins } = run.options
  const secrets: { [ref: string]: Secret } = {}
  const missing = new Set(differences.flatMap(({ is, ref }) => (is === 'missing' ? [ref as string] : [])))
  for (const { ref, username, password } of plannedAccounts(run.baseline)) {
    if (!missing.has(ref)) continue
    const stored = await logins.find(run.site.home, username)
    if (!stored && password === 'stored')
      throw UnpackError.of('login-missing', { address: run.site.home, user: username, file: logins.file })
    const secret = stored?.password ?? makePassword(run.site.system.password)
    run.account.guard.add(secret)
    if (!stored) await logins.put(run.site.home, username, secret)
    secrets[ref] = secret
  }
  return secrets
}
