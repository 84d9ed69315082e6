import envPaths from 'env-paths'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import lockfile from 'proper-lockfile'
import { z } from 'zod'
import { addressKey, addressText, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'

const digests = z.record(z.string(), z.string())
const textsSchema = z.strictObject({
  texts: z.literal(1),
  digests,
  samples: digests.default({}),
  debts: z.array(z.string()).default([]),
})

/** The user's state folder: `UNPACK_STATE`, or where this machine keeps such things. */
export const stateFolder = (): string => process.env.UNPACK_STATE ?? envPaths('unpack', { suffix: '' }).data

/** What is remembered of a site between runs: which texts are ours, and that a run is at work. */
export class State {
  private constructor(
    private readonly folder: string,
    private readonly address: SiteAddress,
    private digests: Record<string, string>,
    private samples: Record<string, string>,
    private owed: readonly string[],
  ) {}

  static async of(address: SiteAddress, root = stateFolder()): Promise<State> {
    const folder = join(root, addressKey(address))
    const text = await readFile(join(folder, 'texts.json'), 'utf8').catch(() => '{}')
    const known = textsSchema.safeParse(parse(text))
    const { digests, samples, debts } = known.success ? known.data : { digests: {}, samples: {}, debts: [] }
    return new State(folder, address, digests, samples, debts)
  }

  /** The digest of the text that we last wrote to a ref, or of the value of a key that can't be read back (`ref#key`). */
  written(ref: string): string | undefined {
    return this.digests[ref]
  }

  /** The digest of an item that came with sample content. */
  sampled(ref: string): string | undefined {
    return this.samples[ref]
  }

  /** The same, for another address of the same site. */
  async moveTo(address: SiteAddress, root = stateFolder()): Promise<State> {
    const there = await State.of(address, root)
    there.owed = this.owed
    await there.remember(this.digests, this.samples)
    return there
  }

  async remember(digests: Record<string, string>, samples: Record<string, string> = {}): Promise<void> {
    this.digests = { ...this.digests, ...digests }
    this.samples = { ...this.samples, ...samples }
    await this.#write()
  }

  /** Debts that no step has paid yet. */
  get debts(): readonly string[] {
    return this.owed
  }
  /** A debt is on disk before the step that makes it. */
  async owe(debt: string): Promise<void> {
    if (this.owed.includes(debt)) return
    this.owed = [...this.owed, debt]
    await this.#write()
  }
  async paid(debt: string): Promise<void> {
    this.owed = this.owed.filter((one) => one !== debt)
    await this.#write()
  }

  async #write(): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    const file = join(this.folder, 'texts.json')
    await writeFile(
      `${file}.new`,
      `${JSON.stringify({ texts: 1, digests: this.digests, samples: this.samples, debts: this.owed }, null, 2)}\n`,
      { mode: 0o600 },
    )
    await rename(`${file}.new`, file)
  }

  /**
   * Keeps other runs off the site; a lock whose run died is taken over after a while.
   * @returns what ends the lock
   * @throws UnpackError `locked`
   */
  async lock(): Promise<() => Promise<void>> {
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    try {
      return await lockfile.lock(this.folder, { stale: 15_000, update: 5_000, onCompromised: () => undefined })
    } catch {
      throw UnpackError.of('locked', { address: addressText(this.address) })
    }
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
