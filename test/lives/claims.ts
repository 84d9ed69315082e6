import { snapshot, type Snapshot } from './snapshot.js'
import type { Site } from './site.js'

/** What people gave a site: things that they made, and fields that they set. Anything else may be the tool's. */
export class Claims {
  /** `pages/12` → field → the value that a person gave it; `undefined` where they took it away. */
  readonly #fields = new Map<string, Map<string, string | undefined>>()
  /** Things that a person made. */
  readonly #made = new Set<string>()
  readonly #touched = new Set<string>()
  readonly #crossed = new Set<string>()
  constructor(private readonly site: Site) {}

  /** Somebody does something: whatever it changes is theirs from then on. Gives what they touched. */
  by(hand: () => void): string[] {
    const before = snapshot(this.site)
    hand()
    const after = snapshot(this.site)
    const touched = new Set<string>()
    for (const [key, fields] of after) {
      const was = before.get(key)
      if (!was) this.#made.add(key)
      for (const field of new Set([...fields.keys(), ...(was?.keys() ?? [])]))
        if (fields.get(field) !== was?.get(field)) {
          this.#of(key).set(field, fields.get(field))
          touched.add(key)
          this.#touched.add(key)
        }
    }
    for (const key of before.keys()) if (!after.has(key)) this.#fields.delete(key)
    return [...touched]
  }

  /** Whether anybody has ever changed something there. */
  wasTouched(key: string): boolean {
    return this.#touched.has(key)
  }
  isMade(key: string): boolean {
    return this.#made.has(key)
  }
  /** Fields of something that are somebody's. */
  fields(key: string): ReadonlyMap<string, string | undefined> {
    return this.#fields.get(key) ?? new Map<string, string | undefined>()
  }
  /** What somebody has set on a thing was set right behind a write of the tool's. */
  cross(key: string): void {
    for (const field of this.fields(key).keys()) this.#crossed.add(`${key}#${field}`)
  }
  isCrossed(key: string, field: string): boolean {
    return this.#crossed.has(`${key}#${field}`)
  }
  /** A field is nobody's any more. */
  release(key: string, field: string): void {
    this.#fields.get(key)?.delete(field)
  }
  /** What somebody gave a removed thing comes back with it. */
  keep(key: string): () => void {
    const fields = new Map(this.fields(key))
    return () => this.#fields.set(key, new Map([...fields, ...this.fields(key)]))
  }

  /** What is not as a person left it. */
  broken(
    now: Snapshot,
  ): { key: string; field: string; was: string | undefined; is: string | undefined; gone: boolean }[] {
    return [...this.#fields].flatMap(([key, fields]) =>
      [...fields].flatMap(([field, was]) => {
        const is = now.get(key)?.get(field)
        return is === was ? [] : [{ key, field, was, is, gone: !now.has(key) }]
      }),
    )
  }

  #of(key: string): Map<string, string | undefined> {
    const known = this.#fields.get(key) ?? new Map<string, string | undefined>()
    this.#fields.set(key, known)
    return known
  }
}
