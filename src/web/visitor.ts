import { setTimeout as wait } from 'node:timers/promises'
import { CookieJar } from 'tough-cookie'
import { FormData, request, type Dispatcher } from 'undici'
import { addressText, placeOn, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import type { Answer } from './answer.js'
import { failureOf, NoAnswer } from './failure.js'
import type { Purpose, Traffic } from './traffic.js'

const MOST_BYTES = 16 * 1024 * 1024
const MOST_HOPS = 6

export type FormFields = Readonly<Record<string, string>> | readonly (readonly [name: string, value: string])[]

export interface Ask {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  /** A form's fields, as pairs where a name stands several times; or a JSON document. */
  form?: FormFields
  json?: unknown
  /** A form with a file in it, sent as multipart. */
  parts?: Readonly<Record<string, string | FilePart>>
  /** A file as the whole body. */
  file?: FilePart
  headers?: Readonly<Record<string, string>>
  /** Whether redirects are followed; a form's answer usually is looked at as it is. */
  follow?: boolean
  purpose?: Purpose
}

/** A file that is sent. */
export interface FilePart {
  name: string
  type: string
  bytes: Uint8Array
}

/** How long a server that says “too many requests” is waited for, in seconds, and how often. */
const PATIENCE = { most: 30, times: 3 }

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
    /** What opens the door in front of the site (HTTP Basic, RFC 7617). */
    private readonly door?: { username: string; password: Secret },
  ) {}

  /** Somebody else at the same site: with no cookies. */
  another(): Visitor {
    return new Visitor(this.address, this.lines, this.traffic, this.signal, this.roams, this.door)
  }

  /** A cookie that the site has set, for what wants it said back in another place as well. */
  async cookie(name: string): Promise<string | undefined> {
    const cookies = await this.#jar.getCookies(this.home)
    return cookies.find(({ key }) => key === name)?.value
  }

  get(place: string, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { follow: true, ...ask, method: 'GET' })
  }

  post(place: string, form: FormFields, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { ...ask, method: 'POST', form })
  }

  /**
   * Sends one request, and those that its redirects ask for.
   * @throws NoAnswer if there is none; UnpackError `left-the-site`, `answer-too-large`, `stopped`
   */
  async ask(place: string, ask: Ask): Promise<Answer> {
    let url = placeOn(this.address, place)
    const hops: { from: string; to: string; status: number }[] = []
    let answer = await this.#patiently(url, ask)
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
      answer = await this.#patiently(url, { headers: ask.headers, purpose: ask.purpose })
    }
    return { ...answer, hops }
  }

  /** A request that was refused as one too many (RFC 6585) was not taken: it is sent again when the server says. */
  async #patiently(url: string, ask: Ask): Promise<Answer> {
    for (let time = 1; ; time += 1) {
      const answer = await this.#reading(url, ask)
      if (answer.status !== 429 || time > PATIENCE.times) return answer
      const seconds = Number(answer.headers['retry-after'] ?? 2 ** time)
      if (!(seconds <= PATIENCE.most)) return answer
      await wait(seconds * 1000, undefined, { signal: this.signal }).catch(() => {
        throw UnpackError.of('stopped', {})
      })
    }
  }

  /** A server may close a connection just when it is used again. Reading is asked for once more; nothing else ever is. */
  async #reading(url: string, ask: Ask): Promise<Answer> {
    try {
      return await this.#once(url, ask)
    } catch (error) {
      const isReading = (ask.method ?? 'GET') === 'GET' && (ask.purpose ?? 'read') === 'read'
      if (!isReading || !(error instanceof NoAnswer) || error.failure.kind !== 'broken off') throw error
      return this.#once(url, ask)
    }
  }

  async #once(url: string, ask: Ask): Promise<Answer> {
    if (this.signal?.aborted) throw UnpackError.of('stopped', {})
    const cookie = await this.#jar.getCookieString(url)
    const body = bodyOf(ask)
    const headers: Record<string, string> = {
      'user-agent': 'Unpack (its owner settles this site)',
      accept: 'text/html,application/json;q=0.9,*/*;q=0.8',
      ...(ask.form ? { 'content-type': 'application/x-www-form-urlencoded', referer: url } : {}),
      ...(ask.json === undefined ? {} : { 'content-type': 'application/json' }),
      ...(ask.parts ? { referer: url } : {}),
      ...(ask.file ? { 'content-type': ask.file.type } : {}),
      ...(this.door && { authorization: basic(this.door) }),
      ...(cookie ? { cookie } : {}),
      ...ask.headers,
    }
    const method = ask.method ?? 'GET'
    const done = this.traffic.begin({
      method,
      url,
      purpose: ask.purpose ?? (method === 'GET' ? 'read' : 'write'),
      headers,
      body: typeof body === 'string' ? body : undefined,
      ...(typeof body === 'object' && { bytes: sizeOf(ask), parts: ask.parts, file: ask.file }),
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

const basic = ({ username, password }: { username: string; password: Secret }): string =>
  `Basic ${Buffer.from(`${username}:${password.reveal()}`).toString('base64')}`

function bodyOf({ form, json, parts, file }: Ask): string | Uint8Array | FormData | undefined {
  if (form)
    return new URLSearchParams(
      Array.isArray(form) ? (form as string[][]) : (form as Readonly<Record<string, string>>),
    ).toString()
  if (file) return file.bytes
  if (!parts) return json === undefined ? undefined : JSON.stringify(json)
  const data = new FormData()
  for (const [name, part] of Object.entries(parts))
    if (typeof part === 'string') data.append(name, part)
    else data.append(name, new Blob([part.bytes as Uint8Array<ArrayBuffer>], { type: part.type }), part.name)
  return data
}

const sizeOf = ({ parts = {}, file }: Ask): number =>
  [...Object.values(parts), file].reduce((sum, part) => sum + (typeof part === 'object' ? part.bytes.length : 0), 0)

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
