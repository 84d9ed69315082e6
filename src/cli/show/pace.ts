/** How far a run has come with its changes, and how long the rest takes if it goes on like that. */
export class Pace {
  #all = 0
  #done = 0
  #began = 0
  constructor(private readonly now: () => number = Date.now) {}

  /** So many are to be made from now on. */
  begin(all: number): void {
    this.#all = all
    this.#done = 0
    this.#began = this.now()
  }
  did(count: number): void {
    this.#done += count
  }

  /** What is done of all, and what is left behind a wait; nothing where there is none of both. @param seconds that are waited for first */
  left(seconds: number): string {
    const rest = this.#all - this.#done
    if (this.#done === 0 || rest <= 0) return ''
    // what was waited for so far belongs to the pace, and so does this wait
    const each = ((this.now() - this.#began) / 1000 + seconds) / this.#done
    const left = Math.max(seconds, each * rest)
    const text = left < 90 ? `${Math.ceil(left)} s` : `${Math.round(left / 60)} min`
    return ` (${this.#done} of ${this.#all} changes made, about ${text} left)`
  }
}
