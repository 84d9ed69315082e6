import { resolve } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { pathToFileURL } from 'node:url'
import { UnpackError } from '../core/errors.js'
import type { Systems } from '../engine/known-systems.js'
import type { System } from '../systems/system.js'

/** The systems to know: those Unpack brings, its stand-ins, and those of --with. Only these are loaded at once. */
export async function systemsFor(modules: readonly string[] = []): Promise<Systems> {
  const more = await Promise.all(modules.map(systemIn))
  return async () => {
    const [
      { builtIn },
      { standInBlogSystem },
      { standInContentSystem },
      { standInForumSystem },
      { standInShopSystem },
    ] = await Promise.all([
      import('../systems/index.js'),
      import('../../stand-ins/blog/adapter/index.js'),
      import('../../stand-ins/content/adapter/index.js'),
      import('../../stand-ins/forum/adapter/index.js'),
      import('../../stand-ins/shop/adapter/index.js'),
    ])
    return [...builtIn, standInBlogSystem, standInContentSystem, standInForumSystem, standInShopSystem, ...more]
  }
}

/** Milliseconds within which a module has to be loaded. */
const PATIENCE = 10_000

async function systemIn(module: string): Promise<System> {
  const { isSystem } = await import('../systems/system.js')
  const place = /^[./]|^[A-Za-z]:/.test(module) ? pathToFileURL(resolve(module)).href : module
  // a module may wait for something that never comes: without a clock that runs, the process would end as if all were well
  const clock = new AbortController()
  const late = wait(PATIENCE, 'late' as const, { signal: clock.signal }).catch(() => undefined)
  const loaded = (await Promise.race([import(place).catch(() => undefined), late])) as { default?: unknown } | 'late'
  clock.abort()
  if (loaded === 'late')
    throw UnpackError.of('system-unknown', { module, why: `it was not loaded within ${PATIENCE / 1000} seconds` })
  if (!isSystem((loaded as { default?: unknown } | undefined)?.default))
    throw UnpackError.of('system-unknown', { module })
  return (loaded as { default: System }).default
}
