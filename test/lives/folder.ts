import { cpSync, existsSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { LoginsFile, Secret } from 'unpack'
import { PASSPHRASE } from '../help/sites.js'

/** The folder in which the runs of a life keep everything: logins, state and records. */
export class Folder {
  logins!: LoginsFile
  constructor(readonly path: string) {}

  get state(): string {
    return join(this.path, 'state')
  }
  get records(): string {
    return join(this.path, 'records')
  }
  async open(): Promise<void> {
    this.logins = await LoginsFile.open(join(this.path, 'logins.json'), new Secret(PASSPHRASE), 4)
  }
  /** Puts a login into the logins file. */
  async keep(address: string, username: string, password: string, how: { temporary?: true }): Promise<void> {
    await this.logins.put(address, username, new Secret(password), how)
  }
  remove(): void {
    rmSync(this.path, { recursive: true, force: true })
  }

  /** Copies what is on disk: it is all that is left of a run whose process is gone. */
  copy(): void {
    cpSync(this.path, `${this.path}.killed`, { recursive: true })
  }
  /** Puts that copy in the place of what the run has written since. */
  async restoreCopy(): Promise<void> {
    const copy = `${this.path}.killed`
    if (!existsSync(copy)) return
    rmSync(this.path, { recursive: true })
    renameSync(copy, this.path)
    // the process of a lock has this one's number, and began before it
    for (const file of readdirSync(this.path, { recursive: true, encoding: 'utf8' }))
      if (file.endsWith('lock.json')) {
        const path = join(this.path, file)
        const lock = JSON.parse(readFileSync(path, 'utf8')) as object
        writeFileSync(path, JSON.stringify({ ...lock, started: 'before' }))
      }
    await this.open()
  }
}

/** Every file below a folder, as text. */
export function textsIn(folder: string): { folder: string; name: string; text: string }[] {
  if (!existsSync(folder)) return []
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .flatMap(({ parentPath, name }) => {
      const path = join(parentPath, name)
      // a temporary file may have been renamed since the folder was listed
      return existsSync(path) ? [{ folder: parentPath, name, text: readFileSync(path, 'utf8') }] : []
    })
}
