import { existsSync } from 'node:fs'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import type { RunOptions } from '../engine/options.js'
import { builtIn } from '../systems/index.js'
import { isSystem, type System } from '../systems/system.js'
import { MailFolder } from '../mail/folder.js'
import { askSecret, loginsAt } from './logins-at.js'
import type { SiteFlags } from './options.js'
import { progress } from './show/progress.js'
import { EVERYTHING } from './options.js'

/** The systems to know: those Unpack brings, its stand-ins, and those of --with. */
export async function systemsFor(modules: readonly string[] = []): Promise<readonly System[]> {
  const more = await Promise.all(
    modules.map(async (module) => {
      const loaded = (await import(
        /^[./]|^[A-Za-z]:/.test(module) ? pathToFileURL(resolve(module)).href : module
      ).catch(() => undefined)) as { default?: unknown } | undefined
      if (!isSystem(loaded?.default)) throw UnpackError.of('system-unknown', { module })
      return loaded.default
    }),
  )
  return [...builtIn, standInBlogSystem, standInForumSystem, ...more]
}

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

/** Aborted by Ctrl-C; a second one ends at once. */
export function interrupted(): AbortSignal {
  const controller = new AbortController()
  process.once('SIGINT', () => {
    controller.abort()
    process.once('SIGINT', () => process.exit(130))
  })
  return controller.signal
}
