import { appendFile, readFile, rm } from 'node:fs/promises'
import { z } from 'zod'

const intentSchema = z.strictObject({
  area: z.string(),
  ref: z.string(),
  /** The values that the item is to have. */
  wanted: z.record(z.string(), z.json()),
  /** Those of them that are sent; left out where the item is new. */
  keys: z.array(z.string()).optional(),
})
/** What is about to be written: what then stands there with exactly these values is ours. */
export type Intent = z.output<typeof intentSchema>

const madeSchema = z.strictObject({ area: z.string(), id: z.string(), ref: z.string() })
/** What was made, by the number that the site has told. */
export type Made = z.output<typeof madeSchema>

const lineSchema = z.union([
  z.strictObject({ underWay: z.literal(1), intents: z.array(intentSchema) }),
  z.strictObject({ underWay: z.literal(1), made: z.array(madeSchema) }),
  /** Refs of new items that the site refused to make. */
  z.strictObject({ underWay: z.literal(1), refused: z.array(z.string()) }),
])
type Line = z.output<typeof lineSchema>

/** What a run is about to write, and what it knows to have made: a line a load, on disk before that is sent. */
export class UnderWay {
  readonly #intents = new Map<string, Intent>()
  readonly #made: Made[] = []
  /** Whether the file has lines that nobody can read. */
  isDamaged = false
  isEmpty = true
  /** Whether the last line was cut off. */
  #isCut = false
  private constructor(readonly file: string) {}

  /** What a run that ended too early has left; a last line that was cut off with it is none. */
  static async in(file: string): Promise<UnderWay> {
    const left = new UnderWay(file)
    const whole = await readFile(file, 'utf8').catch(unlessMissing)
    const lines = whole.split('\n')
    left.isEmpty = whole === ''
    left.#isCut = lines.at(-1) !== ''
    for (const [index, text] of lines.entries()) {
      if (text === '') continue
      const line = lineSchema.safeParse(parsed(text)).data
      if (line) left.#take(line)
      else if (index < lines.length - 1) left.isDamaged = true
    }
    return left
  }

  #take(line: Line): void {
    if ('intents' in line) for (const intent of line.intents) this.#intents.set(intent.ref, intent)
    else if ('made' in line) this.#made.push(...line.made)
    else for (const ref of line.refused) this.#intents.delete(ref)
  }

  get intents(): readonly Intent[] {
    return [...this.#intents.values()]
  }
  get made(): readonly Made[] {
    return this.#made
  }

  async add(more: { intents: Intent[] } | { made: Made[] } | { refused: string[] }): Promise<void> {
    const line: Line = { underWay: 1, ...more }
    await appendFile(this.file, `${this.#isCut ? '\n' : ''}${JSON.stringify(line)}\n`, { mode: 0o600, flush: true })
    this.#isCut = false
    this.isEmpty = false
    this.#take(line)
  }

  /** Everything has arrived, or is of another site: it counts no more, whoever may write the file. */
  forget(): void {
    this.#intents.clear()
    this.#made.length = 0
  }
  /** The same on disk. */
  async clear(): Promise<void> {
    await rm(this.file, { force: true })
    this.isEmpty = true
    this.#isCut = false
  }
}

function unlessMissing(error: unknown): string {
  if (['ENOENT', 'ENOTDIR'].includes((error as { code?: string }).code ?? '')) return ''
  throw error
}

export function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
