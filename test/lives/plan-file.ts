import { readBaseline, type Baseline } from 'unpack'
import type { Plan } from './site.js'

/** The baseline file of a plan: its keys, and the texts beside it. */
export class PlanFile {
  readonly #texts: Record<string, string> = {}
  constructor(readonly plan: Plan) {}

  /** The items directly below a ref, as a list of the file; their texts become files of their own. */
  list(below: string, more: (ref: string, name: string) => object): object[] {
    return [...this.plan.keys()].flatMap((ref) => {
      const name = ref.slice(below.length + 1)
      return ref === `${below}/${name}` && !name.includes('/') ? [{ ...this.values(ref), ...more(ref, name) }] : []
    })
  }
  /** The keys of one item. */
  values(ref: string): Record<string, unknown> {
    const { body, ...rest } = this.plan.get(ref) ?? {}
    if (typeof body !== 'string') return rest
    this.#texts[`${ref}.md`] = body
    return { ...rest, body: `${ref}.md` }
  }
  baseline(keys: object): Baseline {
    const text = JSON.stringify({ unpack: 1, ...keys })
    try {
      return readBaseline(text, this.#texts).baseline
    } catch (error) {
      throw new Error(`${text}: ${JSON.stringify(error)}`, { cause: error })
    }
  }
}
