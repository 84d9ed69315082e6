import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The package's own folder, from sources and from the build alike. */
export function packageFolder(): string {
  let folder = dirname(fileURLToPath(import.meta.url))
  while (!existsSync(join(folder, 'package.json'))) {
    // at the root it would go round for ever
    if (folder === dirname(folder)) throw new Error('The package.json of Unpack is missing: install Unpack again.')
    folder = dirname(folder)
  }
  return folder
}

export const version = (): string =>
  (JSON.parse(readFileSync(join(packageFolder(), 'package.json'), 'utf8')) as { version: string }).version
