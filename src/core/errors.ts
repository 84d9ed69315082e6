import { catalogue, type Entry } from './catalogue.js'

/** The code of an error. */
export type ErrorCode = keyof typeof catalogue
/** What the message of an error is made of. */
export type ErrorDetails<C extends ErrorCode> = Parameters<(typeof catalogue)[C]['what']>[0]

/** What every failure of Unpack is: a code from the catalogue, said in words an owner understands. */
export class UnpackError extends Error {
  override readonly name = 'UnpackError'
  private constructor(
    /** A name that never changes, for programs: `login-refused`. */
    readonly code: ErrorCode,
    message: string,
    /** What to do next, if there is something. */
    readonly next: string | undefined,
    /** The exit code of the command line. */
    readonly exit: number,
    /** Where: an address, or file:line:column. */
    readonly at?: string,
    /** The mistakes of a baseline, one line each. */
    readonly lines: readonly string[] = [],
    page?: string,
    cause?: unknown,
  ) {
    super(message, cause === undefined ? undefined : { cause })
    this.#page = page
  }
  readonly #page: string | undefined
  /** The page that was not as expected: for the record alone, never for a message. */
  get page(): string | undefined {
    return this.#page
  }

  /** @example throw UnpackError.of('locked', { address: 'http://127.0.0.1:4101/' }) */
  static of<C extends ErrorCode>(
    code: C,
    details: ErrorDetails<C>,
    more: { at?: string; lines?: readonly string[]; page?: string; cause?: unknown } = {},
  ): UnpackError {
    const found: Entry<ErrorDetails<C>> = catalogue[code] as unknown as Entry<ErrorDetails<C>>
    return new UnpackError(
      code,
      found.what(details),
      found.next?.(details),
      found.exit,
      more.at,
      more.lines,
      more.page,
      more.cause,
    )
  }

  /** The same error with its texts changed, for example without what must not be shown. */
  told(change: (text: string) => string): UnpackError {
    const { code, message, exit, cause } = this
    const [next, at, page] = [this.next, this.at, this.#page].map((text) => text && change(text))
    return new UnpackError(code, change(message), next, exit, at, this.lines.map(change), page, cause)
  }

  /** The same error with more to do next. */
  withNext(more: string): UnpackError {
    const { code, message, exit, at, lines, cause } = this
    const next = this.next === undefined ? more : `${this.next} ${more}`
    return new UnpackError(code, message, next, exit, at, lines, this.#page, cause)
  }
}
