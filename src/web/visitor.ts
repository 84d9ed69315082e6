import { CookieJar } from 'tough-cookie'
import { request, type Dispatcher } from 'undici'
import { addressText, placeOn, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'
import type { Answer } from './answer.js'
import { failureOf, NoAnswer } from './failure.js'
import type { Purpose, Traffic } from './traffic.js'

const MOST_BYTES = 16 * 1024 * 1024
const MOST_HOPS = 6

export interface Ask {
  method?: 'GET' | 'POST' | 'PUT' | 'DELETE'
  /** A form's fields, or a JSON document. */
  form?: Readonly<Record<string, string>>
  json?: unknown
  headers?: Readonly<Record<string, string>>
  /** Whether redirects are followed; a form's answer usually is looked at as it is. */
  follow?: boolean
  purpose?: Purpose
}

/** One person at a browser: requests with cookies of their own, redirects, limits and time-outs. */
export class Visitor {
  readonly #jar = new CookieJar(undefined, { looseMode: true, rejectPublicSuffixes: false })
  constructor(
    readonly address: SiteAddress,
    private readonly lines: Dispatcher,
    readonly traffic: Traffic,
    private readonly signal?: AbortSignal,
    /** A survey follows redirects wherever they lead; with a session in hand, only on the site's own origin. */
    private readonly roams = false,
  ) {}

  get(place: string, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { follow: true, ...ask, method: 'GET' })
  }

  post(place: string, form: Readonly<Record<string, string>>, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { ...ask, method: 'POST', form })
  }

  /**
   * Sends one request, and those that its redirects ask for.
   * @throws NoAnswer if there is none; UnpackError `left-the-site`, `answer-too-large`, `stopped`
   */
  async ask(place: string, ask: Ask): Promise<Answer> {
    let url = placeOn(this.address, place)
    const hops: { from: string; to: string; status: number }[] = []
    let answer = await this.#once(url, ask)
    while (
      ask.follow &&
      answer.status >= 300 &&
      answer.status < 400 &&
      answer.headers.location !== undefined &&
      hops.length < MOST_HOPS
    ) {
      if (!URL.canParse(answer.headers.location, url)) break
      const to = new URL(answer.headers.location, url)
      to.hash = ''
      if (!this.roams && to.origin !== this.address.origin) throw UnpackError.of('left-the-site', { url, to: to.href })
      hops.push({ from: url, to: to.href, status: answer.status })
      url = to.href
      answer = await this.#once(url, { headers: ask.headers, purpose: ask.purpose })
    }
    return { ...answer, hops }
  }

  async #once(url: string, ask: Ask): Promise<Answer> {
    if (this.signal?.aborted) throw UnpackError.of('stopped', {})
    const cookie = await this.#jar.getCookieString(url)
    const body = ask.form
      ? new URLSearchParams(ask.form).toString()
      : ask.json === undefined
        ? undefined
        : JSON.stringify(ask.json)
    const headers: Record<string, string> = {
      'user-agent': 'Unpack (its owner settles this site)',
      accept: 'text/html,application/json;q=0.9,*/*;q=0.8',
      ...(ask.form ? { 'content-type': 'application/x-www-form-urlencoded', referer: url } : {}),
      ...(ask.json === undefined ? {} : { 'content-type': 'application/json' }),
      ...(cookie ? { cookie } : {}),
      ...ask.headers,
    }
    const method = ask.method ?? 'GET'
    const done = this.traffic.begin({
      method,
      url,
      purpose: ask.purpose ?? (method === 'GET' ? 'read' : 'write'),
      headers,
      body,
    })
    try {
      const response = await request(url, { dispatcher: this.lines, method, headers, body, signal: this.signal })
      for (const text of [response.headers['set-cookie'] ?? []].flat())
        await this.#jar.setCookie(text, url, { ignoreError: true })
      const text = await limited(response.body, url)
      const plain = Object.fromEntries(
        Object.entries(response.headers).map(([name, value]) => [
          name,
          Array.isArray(value) ? value.join(', ') : (value ?? ''),
        ]),
      )
      done(response.statusCode, plain, text)
      return { url, status: response.statusCode, headers: plain, text, hops: [] }
    } catch (error) {
      done(0, {}, '')
      if (error instanceof UnpackError) throw error
      if (this.signal?.aborted) throw UnpackError.of('stopped', {})
      throw new NoAnswer(url, failureOf(error))
    }
  }

  /** Where the site is, as one text. */
  get home(): string {
    return addressText(this.address)
  }
}

async function limited(body: AsyncIterable<Uint8Array>, url: string): Promise<string> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of body) {
    size += part.length
    if (size > MOST_BYTES) throw UnpackError.of('answer-too-large', { url, most: '16 MiB' })
    parts.push(part)
  }
  return new TextDecoder().decode(Buffer.concat(parts))
}
