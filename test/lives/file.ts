import { readBaseline, type Baseline } from 'unpack'
import type { Plan } from './site.js'

/** A baseline file as it grows: its keys, and the texts beside it. */
export class File {
  readonly #texts: Record<string, string> = {}
  constructor(readonly plan: Plan) {}

  /** What the plan says of everything right below a ref, each as a line of a list; texts go into files of their own. */
  list(below: string, more: (ref: string, name: string) => object = () => ({})): object[] {
    return [...this.plan].flatMap(([ref, values]) => {
      const name = ref.slice(below.length + 1)
      return ref === `${below}/${name}` && !name.includes('/')
        ? [{ ...this.#said(ref, values), ...more(ref, name) }]
        : []
    })
  }
  /** What the plan says of one thing. */
  values(ref: string): Record<string, unknown> {
    return this.#said(ref, this.plan.get(ref) ?? {})
  }
  baseline(keys: object): Baseline {
    const text = JSON.stringify({ unpack: 1, ...keys })
    try {
      return readBaseline(text, this.#texts).baseline
    } catch (error) {
      throw new Error(`${text}: ${JSON.stringify(error)}`, { cause: error })
    }
  }

  #said(ref: string, values: Readonly<Record<string, unknown>>): Record<string, unknown> {
    const { body, ...rest } = values
    if (typeof body !== 'string') return rest
    this.#texts[`${ref}.md`] = body
    return { ...rest, body: `${ref}.md` }
  }
}

/** A text as systems keep it. */
export const paragraph = (text: unknown): string => `<p>${textOf(text)}</p>`
/** A name or number as text. */
export const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : ''
/** The moment that all clocks show just now. */
export const now = (): string => new Date().toISOString()
/** Texts that a plan may have. */
export const bodies = ['It is written here.', 'It is written anew.', 'It says more by now.'] as const
/** The last part of a ref, or of a path. */
export const nameOf = (ref: string): string => ref.split('/').at(-1) ?? ref
/** One of two values, the other one than before. */
export const other =
  <T>(field: string, one: T, two: T) =>
  (thing: Readonly<Record<string, unknown>>): T =>
    thing[field] === one ? two : one
