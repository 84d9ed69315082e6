import { UnpackError } from '../core/errors.js'
import type { Failure } from '../core/findings.js'

/** A limit of time for one answer, beside the stop of the whole run. */
export class Deadline {
  readonly #controller = new AbortController()
  readonly #timer: NodeJS.Timeout
  readonly #stop = () => this.#controller.abort(this.whole?.reason)
  isOver = false

  constructor(
    private readonly milliseconds: number,
    private readonly whole?: AbortSignal,
  ) {
    this.#timer = setTimeout(() => {
      this.isOver = true
      this.#controller.abort()
    }, milliseconds)
    whole?.addEventListener('abort', this.#stop)
  }
  get signal(): AbortSignal {
    return this.#controller.signal
  }
  get failure(): Failure {
    return { kind: 'no time', text: `no whole answer within ${Math.round(this.milliseconds / 1000)} seconds` }
  }
  end(): void {
    clearTimeout(this.#timer)
    this.whole?.removeEventListener('abort', this.#stop)
  }
}

/** What a run that was stopped is told with; why it was stopped goes along. */
export const stopped = (signal?: AbortSignal): UnpackError =>
  UnpackError.of('stopped', {}, { cause: signal?.reason as unknown })
