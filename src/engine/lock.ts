import { randomUUID } from 'node:crypto'
import { readFile, readlink, rm, stat, utimes, writeFile } from 'node:fs/promises'
import { hostname } from 'node:os'
import { setTimeout as wait } from 'node:timers/promises'
import { join } from 'node:path'
import lockfile from 'proper-lockfile'
import { z } from 'zod'
import { UnpackError } from '../core/errors.js'
import { makeFolder } from '../disk/make-folder.js'
import { fileTrouble } from '../disk/trouble.js'

/** Milliseconds between two signs of life, and after which one that is not of this machine counts as dead. */
const BEAT = 5_000
const DEAD_AFTER = 60_000

const holderSchema = z.strictObject({
  lock: z.literal(1),
  key: z.string(),
  process: z.number(),
  /** When the process started, in the machine's own ticks: numbers of processes are used again. */
  started: z.string(),
  /** The machine, since when it runs, and the space in which its processes are numbered. */
  machine: z.string(),
})
type Holder = z.output<typeof holderSchema>

const textOf = (file: string): Promise<string> => readFile(file, 'utf8').catch(() => '')

/** This machine, as it was started, and its space of processes; '' where it does not tell. */
async function machine(): Promise<string> {
  const boot = (await textOf('/proc/sys/kernel/random/boot_id')).trim()
  const space = await readlink('/proc/self/ns/pid').catch(() => '')
  return boot === '' ? '' : [hostname(), boot, space].join(' ')
}
/** When a process started; '' where there is none such, or nobody can tell. */
const startOf = async (id: number): Promise<string> =>
  // the name before it may hold blanks and brackets
  (await textOf(`/proc/${id}/stat`)).replace(/^.*\) /s, '').split(' ')[19] ?? ''

/** A lock on a site: it is asked whether it is still ours before each write. */
export class Lock {
  #beat: NodeJS.Timeout | undefined
  private constructor(
    private readonly file: string,
    private readonly holder: Holder,
    private readonly address: string,
  ) {}

  /**
   * Keeps other runs off. A lock of a process that is dead is taken over at once; of one that sleeps it is not, however long.
   * @throws UnpackError `locked` where another run is at work, and nothing else for that; `folder-trouble`
   */
  static async take(folder: string, address: string): Promise<Lock> {
    const file = join(folder, 'lock.json')
    const id = process.pid
    const holder: Holder = {
      lock: 1,
      key: randomUUID(),
      process: id,
      started: await startOf(id),
      machine: await machine(),
    }
    const lock = new Lock(file, holder, address)
    try {
      makeFolder(folder)
      // who looks whether it is free, and takes it, is alone meanwhile
      const alone = await lockfile.lock(folder, {
        stale: 30_000,
        retries: { retries: 20, minTimeout: 20, maxTimeout: 200 },
      })
      try {
        if (await isHeld(file)) throw UnpackError.of('locked', { address })
        await writeFile(file, `${JSON.stringify(holder)}\n`, { mode: 0o600 })
      } finally {
        await alone()
      }
    } catch (error) {
      if (error instanceof UnpackError) throw error
      if ((error as { code?: unknown }).code === 'ELOCKED') throw UnpackError.of('locked', { address })
      throw fileTrouble(error, folder)
    }
    lock.#live()
    return lock
  }

  /**
   * @throws UnpackError `lock-lost` where another run has taken over: it was asleep too long for somebody on another machine
   */
  async stillOurs(): Promise<void> {
    if ((await holderOf(this.file))?.key !== this.holder.key)
      throw UnpackError.of('lock-lost', { address: this.address })
  }

  async end(): Promise<void> {
    clearInterval(this.#beat)
    if ((await holderOf(this.file))?.key === this.holder.key) await rm(this.file, { force: true })
  }

  #live(): void {
    this.#beat = setInterval(() => {
      const now = new Date()
      holderOf(this.file)
        .then((holder) => (holder?.key === this.holder.key ? utimes(this.file, now, now) : undefined))
        .catch(() => undefined)
    }, BEAT)
    this.#beat.unref()
  }
}

async function holderOf(file: string): Promise<Holder | undefined> {
  try {
    return holderSchema.safeParse(JSON.parse(await readFile(file, 'utf8'))).data
  } catch {
    return undefined
  }
}

/** Whether a run that lives holds it. */
async function isHeld(file: string): Promise<boolean> {
  const age = await stat(file).then(
    ({ mtimeMs }) => Date.now() - mtimeMs,
    () => undefined,
  )
  if (age === undefined) return false
  const holder = await holderOf(file)
  const here = await machine()
  // of this machine as it runs now, the process itself tells
  if (holder && here !== '' && holder.machine === here) return (await startOf(holder.process)) === holder.started
  if (age >= 0) return age < DEAD_AFTER
  // dated ahead of our clock, it tells nothing by its age: a run that lives gives a sign before long
  const before = await stat(file).catch(() => undefined)
  await wait(2 * BEAT + 1000)
  const now = await stat(file).catch(() => undefined)
  return now !== undefined && now.mtimeMs !== before?.mtimeMs
}
