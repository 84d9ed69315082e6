import { snapshot, type Snapshot } from './snapshot.js'
import type { Site } from './site.js'

/** A field of a thing. */
export interface Field {
  key: string
  field: string
}
/** A field that is not as a person left it. */
export interface Broken extends Field {
  was: string | undefined
  is: string | undefined
  /** Whether the whole thing is gone. */
  isGone: boolean
}

/** What people gave a site: things that they made, and fields that they set. Everything else may be the tool's. */
export class Claims {
  /** `pages/12` → field → the value that a person gave it; `undefined` where they emptied it. */
  readonly #fields = new Map<string, Map<string, string | undefined>>()
  /** What fields were before a person set them: whoever sets that again has taken their change back. */
  readonly #before = new Map<string, string | undefined>()
  /** Things that a person made. */
  readonly #made = new Set<string>()
  /** Things that a person has ever changed. */
  readonly #touched = new Set<string>()
  /** Fields that a person set right after the tool wrote that thing. */
  readonly #crossed = new Set<string>()
  constructor(private readonly site: Site) {}

  /**
   * Lets a person act. All that changes is theirs from now on, and returned.
   * @param besides what changes along with it, without becoming theirs
   */
  by(act: () => void, besides: () => void): Field[] {
    const before = snapshot(this.site)
    act()
    const after = snapshot(this.site)
    const changed: Field[] = []
    for (const [key, fields] of after) {
      const was = before.get(key)
      if (!was) this.#made.add(key)
      for (const field of new Set([...fields.keys(), ...(was?.keys() ?? [])]))
        if (fields.get(field) !== was?.get(field)) {
          this.#set(key, field, was?.get(field), fields.get(field))
          this.#crossed.delete(`${key}#${field}`)
          this.#touched.add(key)
          changed.push({ key, field })
        }
    }
    besides()
    const left = snapshot(this.site)
    for (const [key, fields] of this.#fields)
      if (!left.has(key)) this.#fields.delete(key)
      else
        for (const field of fields.keys())
          if (left.get(key)?.get(field) !== after.get(key)?.get(field)) fields.delete(field)
    return changed
  }

  isTouched(key: string): boolean {
    return this.#made.has(key) || this.#touched.has(key)
  }
  isMade(key: string): boolean {
    return this.#made.has(key)
  }
  /** The fields of a thing that are a person's. */
  fields(key: string): ReadonlyMap<string, string | undefined> {
    return this.#fields.get(key) ?? new Map<string, string | undefined>()
  }
  cross({ key, field }: Field): void {
    this.#crossed.add(`${key}#${field}`)
  }
  isCrossed({ key, field }: Field): boolean {
    return this.#crossed.has(`${key}#${field}`)
  }
  /** A field is nobody's any more. */
  release({ key, field }: Field): void {
    this.#fields.get(key)?.delete(field)
    this.#before.delete(`${key}#${field}`)
  }
  /** Remembers the claims on a thing. The function that it returns restores them. */
  remember(key: string): () => void {
    const fields = new Map(this.fields(key))
    return () => this.#fields.set(key, new Map([...fields, ...this.fields(key)]))
  }

  broken(now: Snapshot): Broken[] {
    return [...this.#fields].flatMap(([key, fields]) =>
      [...fields].flatMap(([field, was]) => {
        const is = now.get(key)?.get(field)
        return is === was ? [] : [{ key, field, was, is, isGone: !now.has(key) }]
      }),
    )
  }

  #set(key: string, field: string, was: string | undefined, value: string | undefined): void {
    const id = `${key}#${field}`
    if (!this.#before.has(id)) this.#before.set(id, was)
    if (!this.#made.has(key) && this.#before.get(id) === value) this.release({ key, field })
    else this.#of(key).set(field, value)
  }
  #of(key: string): Map<string, string | undefined> {
    const known = this.#fields.get(key) ?? new Map<string, string | undefined>()
    this.#fields.set(key, known)
    return known
  }
}
