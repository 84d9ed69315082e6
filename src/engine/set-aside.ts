import { rename } from 'node:fs/promises'

/** Files that give way to new ones: each is told, and kept under another name as soon as something new is written. */
export class SetAside {
  #files: { file: string; as: string }[] = []
  readonly told: string[] = []

  damaged(file: string): void {
    this.told.push(
      `${file} is damaged: what it remembered is not known. It is kept as ${this.#name(file, 'damaged')} as soon as something new is remembered`,
    )
  }
  ofAnotherSite(file: string): void {
    this.told.push('what was remembered is of another site, which stood at this address before: it was set aside')
    this.#name(file, 'another-site')
  }

  #name(file: string, why: string): string {
    const as = `${file}.${why}-${new Date().toISOString().replace(/[:.]/g, '')}`
    this.#files.push({ file, as })
    return as
  }

  /** Gives them their other names. */
  async carryOut(): Promise<void> {
    for (const { file, as } of this.#files.splice(0)) await rename(file, as).catch(() => undefined)
  }
}
