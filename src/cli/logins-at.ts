import { isCancel, password } from '@clack/prompts'
import envPaths from 'env-paths'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { UnpackError } from '../core/errors.js'
import { Secret } from '../core/secret.js'
import { weakness } from '../logins/weak.js'
import { LazyLogins } from '../logins/logins.js'

/** The logins file: named, from the environment, or in the user's config folder. */
export const loginsPath = (named?: string): string =>
  named ?? process.env.UNPACK_LOGINS ?? join(envPaths('unpack', { suffix: '' }).config, 'logins.json')

export function loginsAt(named?: string): LazyLogins {
  const file = loginsPath(named)
  return new LazyLogins(
    file,
    (isNew) => passphrase(file, isNew),
    () => existsSync(file),
  )
}

/** The passphrase: from the environment, or asked for at the terminal; twice for a new file. */
async function passphrase(file: string, isNew: boolean): Promise<Secret> {
  const given = process.env.UNPACK_PASSPHRASE
  if (given !== undefined && given !== '') return chosen(new Secret(given), file, isNew)
  if (!process.stdin.isTTY || !process.stderr.isTTY) throw UnpackError.of('passphrase-missing', { file })
  const first = await askSecret(isNew ? `A passphrase for the new logins file ${file}` : `The passphrase of ${file}`)
  if (isNew && (await askSecret('Once more')).reveal() !== first.reveal())
    throw UnpackError.of('command-line-wrong', {
      what: 'The two passphrases differ. Nothing was written.',
      next: 'Run the same command again.',
    })
  return chosen(first, file, isNew)
}

/** A passphrase that is chosen now and easy to guess is said so; it is taken all the same. */
async function chosen(passphrase: Secret, file: string, isNew: boolean): Promise<Secret> {
  const why = isNew ? await weakness(passphrase) : undefined
  if (why !== undefined)
    process.stderr.write(
      `! The passphrase of ${file} is easy to guess: ${why}. Whoever gets that file could open it; a few words in a row are better.\n`,
    )
  return passphrase
}

/** Asks for a secret at the terminal, showing dots. */
export async function askSecret(message: string): Promise<Secret> {
  const answer = await password({
    message,
    output: process.stderr,
    validate: (value) => ((value ?? '') === '' ? 'Please type something.' : undefined),
  })
  if (isCancel(answer)) throw UnpackError.of('stopped', {})
  return new Secret(answer)
}
