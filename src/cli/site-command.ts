import { Command } from 'commander'
import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { UnpackError } from '../core/errors.js'
import type { RunOptions } from '../engine/options.js'
import { builtIn } from '../systems/index.js'
import { isSystem, type System } from '../systems/system.js'
import { loginsAt } from './logins-at.js'
import { progress } from './show/progress.js'

export interface SiteFlags {
  at?: string
  logins?: string
  record?: string
  unproven?: boolean
  plainHttp?: boolean
  again?: boolean
  json?: boolean
  with?: string[]
}

const gather = (value: string, before: string[] = []): string[] => [...before, value]

/** Options that every command on a site knows. */
export const withSystems = (command: Command): Command =>
  command.option('--json', 'print one JSON document').option('--with <module>', 'a further system, by its module (may be given several times)', gather)

export const siteCommand = (name: string): Command =>
  withSystems(
    new Command(name)
      .argument('<baseline>', 'the baseline file')
      .option('--at <address>', "another address than the file's")
      .option('--logins <file>', 'the logins file (UNPACK_LOGINS; else in your config folder)')
      .option('--unproven', 'go on with a version Unpack is not proven with')
      .option('--plain-http', 'sign in over plain http beyond this machine'),
  )

/** The systems to know: those Unpack brings, its stand-ins, and those of --with. */
export async function systemsFor(modules: readonly string[] = []): Promise<readonly System[]> {
  const more = await Promise.all(
    modules.map(async (module) => {
      const loaded = (await import(/^[./]|^[A-Za-z]:/.test(module) ? pathToFileURL(resolve(module)).href : module).catch(() => undefined)) as { default?: unknown } | undefined
      if (!isSystem(loaded?.default)) throw UnpackError.of('system-unknown', { module })
      return loaded.default
    }),
  )
  return [...builtIn, standInBlogSystem, ...more]
}

export async function runOptions(flags: SiteFlags): Promise<RunOptions> {
  return {
    systems: await systemsFor(flags.with),
    logins: loginsAt(flags.logins),
    records: flags.record,
    unproven: flags.unproven,
    plainHttp: flags.plainHttp,
    again: flags.again,
    signal: interrupted(),
    on: progress(),
  }
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

/** Prints a result: as JSON, or as lines for people. */
export function print(json: boolean | undefined, document: unknown, lines: () => readonly string[]): void {
  process.stdout.write(json ? `${JSON.stringify(document, null, 2)}\n` : `${lines().join('\n')}\n`)
}
