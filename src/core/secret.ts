const dots = '••••••••'

/** A password or the like. However it is printed, joined, serialised or inspected, only dots come out; `reveal()` alone gives it. */
export class Secret {
  readonly #value: string
  constructor(value: string) {
    this.#value = value
  }
  /** The secret itself: only for the form it is meant for. */
  reveal(): string {
    return this.#value
  }
  toString(): string {
    return dots
  }
  toJSON(): string {
    return dots
  }
  [Symbol.toPrimitive](): string {
    return dots
  }
  [Symbol.for('nodejs.util.inspect.custom')](): string {
    return dots
  }
}
