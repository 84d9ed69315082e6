import { existsSync } from 'node:fs'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import type { RunOptions } from '../engine/options.js'
import { MailFolder } from '../mail/folder.js'
import { interrupted } from './interrupted.js'
import { askSecret, loginsAt } from './logins-at.js'
import type { SiteFlags } from './options.js'
import { progress } from './show/progress.js'
import { EVERYTHING } from './options.js'
import { systemsFor } from './systems-for.js'

export async function runOptions(flags: SiteFlags): Promise<RunOptions> {
  return {
    systems: await systemsFor(flags.with),
    logins: loginsAt(flags.logins),
    records: flags.record,
    unproven: flags.unproven,
    plainHttp: flags.plainHttp,
    again: flags.again?.includes(EVERYTHING) ? true : flags.again,
    mailbox: mailFolder(flags.mailFolder),
    askPassword,
    signal: interrupted(),
    on: progress(),
  }
}

function mailFolder(folder: string | undefined): MailFolder | undefined {
  if (folder === undefined || existsSync(folder)) return folder === undefined ? undefined : new MailFolder(folder)
  throw UnpackError.of('command-line-wrong', {
    what: `There is no folder ${folder}.`,
    next: 'Name the one mails go to.',
  })
}

/** Asks the owner for a password of their own choice, twice. */
async function askPassword(username: string): Promise<Secret> {
  if (!process.stdin.isTTY || !process.stderr.isTTY) throw UnpackError.of('password-asked', { user: username })
  const first = await askSecret(`A new password for “${username}”`)
  if ((await askSecret('Once more')).reveal() === first.reveal()) return first
  throw UnpackError.of('command-line-wrong', {
    what: 'The two passwords differ. Nothing was sent.',
    next: 'Run the same command again.',
  })
}
