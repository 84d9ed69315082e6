import envPaths from 'env-paths'
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import lockfile from 'proper-lockfile'
import { z } from 'zod'
import { addressKey, addressText, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'

const textsSchema = z.strictObject({ texts: z.literal(1), digests: z.record(z.string(), z.string()) })

/** The user's state folder: `UNPACK_STATE`, or where this machine keeps such things. */
export const stateFolder = (): string => process.env.UNPACK_STATE ?? envPaths('unpack', { suffix: '' }).data

/** What is remembered of a site between runs: which texts are ours, and that a run is at work. */
export class State {
  private constructor(
    private readonly folder: string,
    private readonly address: SiteAddress,
    private digests: Record<string, string>,
  ) {}

  static async of(address: SiteAddress, root = stateFolder()): Promise<State> {
    const folder = join(root, addressKey(address))
    const text = await readFile(join(folder, 'texts.json'), 'utf8').catch(() => '{}')
    const known = textsSchema.safeParse(parse(text))
    return new State(folder, address, known.success ? known.data.digests : {})
  }

  /** The digest of the text that we last wrote to a ref. */
  written(ref: string): string | undefined {
    return this.digests[ref]
  }

  async remember(digests: Record<string, string>): Promise<void> {
    this.digests = { ...this.digests, ...digests }
    await mkdir(this.folder, { recursive: true, mode: 0o700 })
    const file = join(this.folder, 'texts.json')
    await writeFile(`${file}.new`, `${JSON.stringify({ texts: 1, digests: this.digests }, null, 2)}\n`, { mode: 0o600 })
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
