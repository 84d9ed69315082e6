import type { Ask, Purpose } from './ask.js'

/** A request and its answer, as they are kept. */
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
/** Is shown each request and its answer as they happen. */
export type Watch = (
  request: Outgoing,
) => (status: number, headers: Readonly<Record<string, string>>, text: string) => void
