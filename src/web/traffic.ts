import { bodyKept } from './har.js'
import type { Purpose } from './ask.js'
import type { Exchange, Outgoing, Watch } from './exchange.js'

/** Counts a run's requests, and hands each on as it ends: none is held longer than until somebody takes it. */
export class Traffic {
  readonly began = new Date()
  readonly #began = performance.now()
  /** What was asked before there was a record. */
  #kept: Exchange[] = []
  #taker: ((exchange: Exchange) => void) | undefined
  #failedWrites = 0
  #counts: { [P in Purpose]: number } = { read: 0, write: 0, 'log-in': 0 }
  constructor(private readonly watch?: Watch) {}

  begin(request: Outgoing): (status: number, headers: Readonly<Record<string, string>>, text: string) => void {
    const { method, url, purpose, headers } = request
    const started = performance.now() - this.#began
    this.#counts[purpose] += 1
    const watched = this.watch?.(request)
    const sent = { headers, body: bodyKept(request), bytes: request.bytes ?? request.body?.length ?? 0 }
    return (status, headers, text) => {
      if (purpose === 'write' && status >= 500) this.#failedWrites += 1
      const got = { headers, bytes: text.length }
      this.#end({ method, url, purpose, status, started, ended: performance.now() - this.#began, sent, got })
      watched?.(status, headers, text)
    }
  }

  #end(exchange: Exchange): void {
    if (this.#taker) this.#taker(exchange)
    else this.#kept.push(exchange)
  }

  /** From now on every exchange goes to whoever takes them, those that were kept first. */
  take(taker: (exchange: Exchange) => void): void {
    this.#taker = taker
    for (const exchange of this.#kept.splice(0)) taker(exchange)
  }

  /** Requests that could change the site, log-ins apart. */
  get writes(): number {
    return this.#counts.write
  }
  /** Writes that the server answered with a failure of its own (5xx): they may have been done all the same. */
  get failedWrites(): number {
    return this.#failedWrites
  }
  get requests(): number {
    return this.#counts.read + this.#counts.write + this.#counts['log-in']
  }
}
