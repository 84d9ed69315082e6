import { resolve } from 'node:path'
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

async function systemIn(module: string): Promise<System> {
  const { isSystem } = await import('../systems/system.js')
  const loaded = (await import(/^[./]|^[A-Za-z]:/.test(module) ? pathToFileURL(resolve(module)).href : module).catch(
    () => undefined,
  )) as { default?: unknown } | undefined
  if (!isSystem(loaded?.default)) throw UnpackError.of('system-unknown', { module })
  return loaded.default
}
