import type { Guard } from '../logins/guard.js'
import type { Exchange, Outgoing } from './exchange.js'

/** Headers that say nothing of a person and hold no key. */
const allowed = new Set(
  'accept content-type content-length location cache-control server date retry-after x-robots-tag x-wp-total allow'.split(
    ' ',
  ),
)
/** Names of fields and parameters whose values are no one's business: passwords, keys, and one-time tokens. */
const guarded = /pass|pwd|pw\d|secret|token|once|key|code|auth/i
const DOTS = '••••••••'
const LONGEST = 200

const short = (text: string): string => (text.length > LONGEST ? `${text.slice(0, LONGEST)}… (${text.length})` : text)

/** What is kept of a request's body: field by field, without what is guarded; of files, their size. */
export function bodyKept({ headers, body, bytes, purpose }: Outgoing): { mimeType: string; text: string } | undefined {
  const mimeType = headers['content-type'] ?? ''
  if (bytes !== undefined) return { mimeType, text: `(a file of ${bytes} bytes)` }
  if (body === undefined) return undefined
  const kept = (name: string, value: string) => (purpose === 'log-in' || guarded.test(name) ? DOTS : short(value))
  if (!mimeType.includes('json')) {
    const fields = [...new URLSearchParams(body)].map(([name, value]) => `${name}=${kept(name, value)}`)
    return { mimeType, text: fields.join('\n') }
  }
  const plain: unknown = JSON.parse(body, (name: string, value: unknown) =>
    typeof value === 'string' ? kept(name, value) : value,
  )
  return { mimeType, text: JSON.stringify(plain) }
}

const urlKept = (url: string): string => {
  const { origin, pathname, searchParams } = new URL(url)
  const query = [...searchParams].map(
    ([name, value]) => `${encodeURIComponent(name)}=${guarded.test(name) ? DOTS : encodeURIComponent(value)}`,
  )
  return `${origin}${pathname}${query.length > 0 ? `?${query.join('&')}` : ''}`
}

const headersKept = (headers: Readonly<Record<string, string>>) =>
  Object.entries(headers)
    .filter(([name]) => allowed.has(name))
    .map(([name, value]) => ({ name, value: name === 'location' && URL.canParse(value) ? urlKept(value) : value }))

function entryOf({ method, url, status, started, ended, sent, got }: Exchange, began: Date): object {
  const time = Math.max(0, Math.round(ended - started))
  return {
    startedDateTime: new Date(began.getTime() + started).toISOString(),
    time,
    request: {
      method,
      url: urlKept(url),
      httpVersion: 'HTTP/1.1',
      cookies: [],
      headers: headersKept(sent.headers),
      queryString: [...new URL(urlKept(url)).searchParams].map(([name, value]) => ({ name, value })),
      ...(sent.body && { postData: { ...sent.body, params: [] } }),
      headersSize: -1,
      bodySize: sent.bytes,
    },
    response: {
      status,
      statusText: '',
      httpVersion: 'HTTP/1.1',
      cookies: [],
      headers: headersKept(got.headers),
      content: { size: got.bytes, mimeType: got.headers['content-type'] ?? '' },
      redirectURL: URL.canParse(got.headers.location ?? '') ? urlKept(got.headers.location ?? '') : '',
      headersSize: -1,
      bodySize: got.bytes,
    },
    cache: {},
    timings: { send: 0, wait: time, receive: 0 },
  }
}

/**
 * Writes a run's requests and answers as a HAR 1.2 log, one after the other as they end: headers by an allow-list, no cookies, no
 * bodies of answers.
 * @see http://www.softwareishard.com/blog/har-12-spec/
 */
export class HarLog {
  #isFirst = true
  /**
   * @param began when the run began
   * @param guard knows what must not be in it, in whatever field it might stand
   * @param put takes the text, piece by piece
   */
  constructor(
    private readonly began: Date,
    private readonly guard: Guard,
    version: string,
    private readonly put: (text: string) => void,
  ) {
    const creator = JSON.stringify({ name: 'Unpack', version })
    put(`{"log":{"version":"1.2","creator":${creator},"entries":[`)
  }

  add(exchange: Exchange): void {
    const hidden = (_name: string, value: unknown): unknown =>
      typeof value === 'string' ? this.guard.text(value) : value
    this.put(`${this.#isFirst ? '' : ','}\n${JSON.stringify(entryOf(exchange, this.began), hidden, 1)}`)
    this.#isFirst = false
  }

  end(): void {
    this.put('\n]}}\n')
  }
}
