import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's folder, from the sources and from the build alike. */
export const root = (() => {
  let folder = dirname(fileURLToPath(import.meta.url))
  while (!existsSync(join(folder, 'package.json'))) folder = dirname(folder)
  return folder
})()
