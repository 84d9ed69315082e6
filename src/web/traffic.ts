import { bodyKept } from './har.js'
import type { Ask, Purpose } from './ask.js'

export interface Exchange {
  method: string
  url: string
  purpose: Purpose
  status: number
  /** Milliseconds since the run began. */
  started: number
  ended: number
  /** What is kept of it: nothing that is secret. */
  sent: { headers: Readonly<Record<string, string>>; body?: { mimeType: string; text: string }; bytes: number }
  got: { headers: Readonly<Record<string, string>>; bytes: number }
}

/** A request as it goes out; for those who watch (the benchmark does). It may hold secrets and is kept nowhere. */
export interface Outgoing {
  method: string
  url: string
  purpose: Purpose
  headers: Readonly<Record<string, string>>
  body?: string
  /** The size of the files that go with it, where it holds some; and the parts or the file themselves. */
  bytes?: number
  parts?: Ask['parts']
  file?: Ask['file']
}
export type Watch = (
  request: Outgoing,
) => (status: number, headers: Readonly<Record<string, string>>, text: string) => void

/** Counts a run's requests, and keeps an account of them. */
export class Traffic {
  readonly exchanges: Exchange[] = []
  readonly began = new Date()
  readonly #began = performance.now()
  constructor(private readonly watch?: Watch) {}

  begin(request: Outgoing): (status: number, headers: Readonly<Record<string, string>>, text: string) => void {
    const exchange: Exchange = {
      method: request.method,
      url: request.url,
      purpose: request.purpose,
      status: 0,
      started: performance.now() - this.#began,
      ended: 0,
      sent: { headers: request.headers, body: bodyKept(request), bytes: request.bytes ?? request.body?.length ?? 0 },
      got: { headers: {}, bytes: 0 },
    }
    this.exchanges.push(exchange)
    const watched = this.watch?.(request)
    return (status, headers, text) => {
      exchange.status = status
      exchange.got = { headers, bytes: text.length }
      exchange.ended = performance.now() - this.#began
      watched?.(status, headers, text)
    }
  }

  /** Requests that could change the site, log-ins apart. */
  get writes(): number {
    return this.exchanges.filter(({ purpose }) => purpose === 'write').length
  }
  get requests(): number {
    return this.exchanges.length
  }
}
