/** Readings of a session, kept until a write makes them stale: no page is fetched twice without a write between. */
export class Shelf {
  readonly #kept = new Map<string, Promise<unknown>>()

  /** The reading of that name; taken now if it isn't there. */
  read<T>(name: string, take: () => Promise<T>): Promise<T> {
    const kept = this.#kept.get(name) as Promise<T> | undefined
    if (kept) return kept
    const taken = take()
    this.#kept.set(name, taken)
    taken.catch(() => this.#kept.delete(name))
    return taken
  }

  /** Forgets the readings of these names, or all. */
  forget(...names: string[]): void {
    if (names.length === 0) this.#kept.clear()
    for (const name of names) this.#kept.delete(name)
  }
}
