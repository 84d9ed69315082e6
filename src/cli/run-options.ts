import { resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { UnpackError } from '../core/errors.js'
import type { RunOptions } from '../engine/options.js'
import { builtIn } from '../systems/index.js'
import { isSystem, type System } from '../systems/system.js'
import { loginsAt } from './logins-at.js'
import type { SiteFlags } from './options.js'
import { progress } from './show/progress.js'

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
