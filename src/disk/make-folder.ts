import { existsSync, mkdirSync, statSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

/**
 * Makes a folder and those above it, readable by their owner only. Node's own recursive way never ends where the system answers
 * “no such file” although the folder above is there, as /proc does.
 * @throws the error of the system, where a folder can't be made
 * @example makeFolder('unpack-record/127.0.0.1_4101')
 */
export function makeFolder(folder: string): void {
  const missing: string[] = []
  for (let at = resolve(folder); !existsSync(at); at = dirname(at)) missing.unshift(at)
  for (const one of missing) made(one)
  // a file of that name: the system says so
  if (!statSync(folder).isDirectory()) mkdirSync(folder)
}

function made(folder: string): void {
  try {
    mkdirSync(folder, { mode: 0o700 })
  } catch (error) {
    // another run may have made it meanwhile
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
  }
}
