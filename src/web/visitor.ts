import { setTimeout as wait } from 'node:timers/promises'
import type { CookieJar } from 'tough-cookie'
import { request, type Dispatcher } from 'undici'
import { addressText, isOn, placeOn, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import type { Answer } from './answer.js'
import type { Ask, FormFields, Purpose } from './ask.js'
import { pauseBehind } from './asked-to-wait.js'
import { bodyOf, limited, poured, sizeOf } from './body.js'
import { Deadline, stopped } from './deadline.js'
import { failureOf, NoAnswer } from './failure.js'
import { MOST } from './limits.js'
import { tooMuchOf } from './monster.js'
import type { Traffic } from './traffic.js'

/** What a visitor may have beside an address and a line to it. */
export interface VisitorOptions {
  signal?: AbortSignal
  /** A survey follows redirects wherever they lead; with a session in hand, only on the site's own origin. */
  roams?: boolean
  /** What opens the door in front of the site (HTTP Basic, RFC 7617). */
  door?: { username: string; password: Secret }
  /** Called before every request that could change the site; what it throws keeps that back. */
  before?: () => Promise<void>
  /** Called when a server asks to be left alone for so many seconds, and that is done. */
  waits?: (seconds: number) => void
  /** Said with every request to the site, where that is how somebody is signed in. */
  says?: Readonly<Record<string, string>>
  /** Milliseconds within which a reading has to be whole; a write gets five times as long. */
  patience?: number
}

/**
 * One person at a browser: requests with cookies of their own, redirects, limits and time-outs. Cookies, tokens and what opens
 * the door go to the site's own origin and base folder alone, whoever asks for whatever.
 */
export class Visitor {
  #jar: Promise<CookieJar> | undefined
  constructor(
    readonly address: SiteAddress,
    private readonly lines: Dispatcher,
    readonly traffic: Traffic,
    private readonly more: VisitorOptions = {},
  ) {}

  /** Somebody else at the same site: with no cookies. */
  another(): Visitor {
    return new Visitor(this.address, this.lines, this.traffic, { ...this.more, says: undefined })
  }

  /** Somebody who says this with every request to the site, and has no cookies. */
  saying(says: Readonly<Record<string, string>>): Visitor {
    return new Visitor(this.address, this.lines, this.traffic, { ...this.more, says })
  }

  /** A stranger at another address, where the same site may be found: nothing of this one goes there. */
  at(address: SiteAddress): Visitor {
    return new Visitor(address, this.lines, this.traffic, { ...this.more, says: undefined, door: undefined })
  }

  /** The same person at the whole server, for systems whose server holds several sites: without the cookies of this one. */
  onServer(): Visitor {
    return new Visitor({ ...this.address, base: '/' }, this.lines, this.traffic, this.more)
  }

  /** A cookie that the site has set, for what wants it said back in another place as well. */
  async cookie(name: string): Promise<string | undefined> {
    const cookies = await (await this.#jar)?.getCookies(this.home)
    return cookies?.find(({ key }) => key === name)?.value
  }

  /** Takes a cookie along that the site has set for somebody before. */
  async bring(name: string, value: string): Promise<void> {
    await this.#keepCookies([`${name}=${value}; Path=${this.address.base}; HttpOnly`], this.home)
  }

  get(place: string, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { follow: true, ...ask, method: 'GET' })
  }

  post(place: string, form: FormFields, ask: Ask = {}): Promise<Answer> {
    return this.ask(place, { ...ask, method: 'POST', form })
  }

  /** Asks for what is only told in answer to a POST: it reads. */
  query(place: string, json: unknown): Promise<Answer> {
    return this.ask(place, { method: 'POST', json, purpose: 'read' })
  }

  /**
   * Sends one request, and those that its redirects ask for.
   * @throws NoAnswer if there is none; UnpackError `left-the-site`, `link-broken`, `answer-too-large`, `stopped`
   */
  async ask(place: string, ask: Ask): Promise<Answer> {
    let url = addressOf(this.address, place)
    // where others live is not looked at, unless the site itself sends a stranger there
    if (new URL(url).origin !== this.address.origin) throw UnpackError.of('left-the-site', { url: this.home, to: url })
    const hops: { from: string; to: string; status: number }[] = []
    let answer = await this.#patiently(url, ask)
    while (
      ask.follow &&
      answer.status >= 300 &&
      answer.status < 400 &&
      answer.headers.location !== undefined &&
      hops.length < MOST.hops
    ) {
      if (!URL.canParse(answer.headers.location, url)) break
      const to = new URL(answer.headers.location, url)
      to.hash = ''
      if (!/^https?:$/.test(to.protocol)) break
      if (!this.more.roams && to.origin !== this.address.origin)
        throw UnpackError.of('left-the-site', { url, to: to.href })
      hops.push({ from: url, to: to.href, status: answer.status })
      url = to.href
      answer = await this.#patiently(url, {
        headers: ask.headers,
        purpose: ask.purpose,
        most: ask.most,
        into: ask.into,
      })
    }
    return { ...answer, hops }
  }

  /** A request that was not taken is sent again when the server says, and a reading that it failed at once more. */
  async #patiently(url: string, ask: Ask): Promise<Answer> {
    const asked = { reads: purposeOf(ask) === 'read', refused: 0, answered: 0 }
    for (;;) {
      const answer = await this.#reading(url, ask)
      asked[answer.status === 429 ? 'refused' : 'answered'] += 1
      const pause = pauseBehind(answer, asked)
      if (!pause || ask.tells?.(answer)) return answer
      if (pause.wished) this.more.waits?.(pause.seconds)
      await wait(pause.seconds * 1000, undefined, { signal: this.more.signal }).catch(() => {
        throw stopped(this.more.signal)
      })
    }
  }

  /** A server may close a connection just when it is used again. Reading is asked for once more; nothing else ever is. */
  async #reading(url: string, ask: Ask): Promise<Answer> {
    try {
      return await this.#once(url, ask)
    } catch (error) {
      if (purposeOf(ask) !== 'read' || !(error instanceof NoAnswer) || error.failure.kind !== 'broken off') throw error
      return this.#once(url, ask)
    }
  }

  async #once(url: string, ask: Ask): Promise<Answer> {
    if (this.more.signal?.aborted) throw stopped(this.more.signal)
    const isOwn = isOn(this.address, url)
    const cookie = isOwn ? await (await this.#jar)?.getCookieString(url) : undefined
    const body = bodyOf(ask)
    const headers: Record<string, string> = {
      'user-agent': 'Unpack (its owner settles this site)',
      accept: 'text/html,application/json;q=0.9,*/*;q=0.8',
      ...(ask.form ? { 'content-type': 'application/x-www-form-urlencoded', referer: url } : {}),
      ...(ask.json === undefined ? {} : { 'content-type': 'application/json' }),
      ...(ask.parts ? { referer: url } : {}),
      ...(ask.file ? { 'content-type': ask.file.type } : {}),
      ...(isOwn && this.more.door && { authorization: basic(this.more.door) }),
      ...(cookie ? { cookie } : {}),
      ...(isOwn && this.more.says),
      ...(isOwn && ask.headers),
    }
    const method = ask.method ?? 'GET'
    const purpose = purposeOf(ask)
    if (purpose === 'write') await this.more.before?.()
    const done = this.traffic.begin({
      method,
      url,
      purpose,
      headers,
      body: typeof body === 'string' ? body : undefined,
      ...(typeof body === 'object' && { bytes: sizeOf(ask), parts: ask.parts, file: ask.file }),
    })
    const limit = new Deadline(this.#most(ask, purpose), this.more.signal)
    try {
      const response = await request(url, { dispatcher: this.lines, method, headers, body, signal: limit.signal })
      if (isOwn) await this.#keepCookies([response.headers['set-cookie'] ?? []].flat(), url)
      const text = ask.into
        ? await poured(response.body, response.statusCode, url, ask.into)
        : await limited(response.body, url)
      const plain = Object.fromEntries(
        Object.entries(response.headers).map(([name, value]) => [
          name,
          Array.isArray(value) ? value.join(', ') : (value ?? ''),
        ]),
      )
      const monster = /html|xml/.test(plain['content-type'] ?? 'html') ? await tooMuchOf(text) : undefined
      if (monster !== undefined) throw UnpackError.of('answer-too-large', { url, most: monster })
      done(response.statusCode, plain, text)
      return { url, status: response.statusCode, headers: plain, text, hops: [] }
    } catch (error) {
      done(0, {}, '')
      if (error instanceof UnpackError) throw error
      if (this.more.signal?.aborted) throw stopped(this.more.signal)
      throw new NoAnswer(url, limit.isOver ? limit.failure : failureOf(error))
    } finally {
      limit.end()
    }
  }

  async #keepCookies(cookies: readonly string[], url: string): Promise<void> {
    if (cookies.length === 0) return
    const jar = await (this.#jar ??= newJar())
    for (const cookie of cookies) await jar.setCookie(cookie, url, { ignoreError: true })
  }

  #most({ most }: Ask, purpose: Purpose): number {
    const { patience } = this.more
    if (patience === undefined) return most ?? (purpose === 'write' ? MOST.writing : MOST.reading)
    return purpose === 'write' ? 5 * patience : patience
  }

  /** Where the site is, as one text. */
  get home(): string {
    return addressText(this.address)
  }
}

const purposeOf = ({ purpose, method = 'GET' }: Ask): Purpose => purpose ?? (method === 'GET' ? 'read' : 'write')

/** Most visitors are never given a cookie: the jar is loaded with the first one. */
async function newJar(): Promise<CookieJar> {
  const { CookieJar } = await import('tough-cookie')
  return new CookieJar(undefined, { looseMode: true, rejectPublicSuffixes: false })
}

const basic = ({ username, password }: { username: string; password: Secret }): string =>
  `Basic ${Buffer.from(`${username}:${password.reveal()}`).toString('base64')}`

/** A place of the site, or a whole address. */
function addressOf(site: SiteAddress, place: string): string {
  try {
    const url = placeOn(site, place)
    if (/^https?:$/.test(new URL(url).protocol)) return url
  } catch {
    // told below
  }
  throw UnpackError.of('link-broken', { address: addressText(site) })
}
