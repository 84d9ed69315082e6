import { catalogue, type Entry } from './catalogue.js'

export type ErrorCode = keyof typeof catalogue
type Details<C extends ErrorCode> = Parameters<(typeof catalogue)[C]['what']>[0]

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
    details: Details<C>,
    more: { at?: string; lines?: readonly string[]; page?: string; cause?: unknown } = {},
  ): UnpackError {
    const found: Entry<Details<C>> = catalogue[code] as unknown as Entry<Details<C>>
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

  /** The same error with its texts changed: without what must not be shown, or with more to do next. */
  told(change: (text: string) => string, next?: string): UnpackError {
    const more = [this.next, next].flatMap((text) => (text === undefined ? [] : [change(text)]))
    const { code, exit, at, cause } = this
    const lines = this.lines.map(change)
    const page = this.#page === undefined ? undefined : change(this.#page)
    const text = more.length === 0 ? undefined : more.join(' ')
    return new UnpackError(code, change(this.message), text, exit, at && change(at), lines, page, cause)
  }
}
