import type { CheerioAPI } from 'cheerio'
import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import { foldSpace } from '../../core/text/plain.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import { formOn } from '../../web/forms.js'
import { MOST } from '../../web/limits.js'
import { documentOf, pageOf, type Sign } from '../../web/reading.js'
import type { Ask } from '../../web/ask.js'
import type { Visitor } from '../../web/visitor.js'
import { Shelf } from '../shelf.js'
import type { Login, SignedIn } from '../session.js'
import { logIn } from './sign-in.js'

const PER_PAGE = 100

/** The owner at the dashboard: cookies, the token that its HTTP interface wants, and what was read so far. */
export class WordPressSession implements SignedIn {
  readonly shelf = new Shelf()
  visitor: Visitor
  login: Login
  #nonce: Promise<string> | undefined
  /** One-time values that screens have shown; they stay good for the session. */
  readonly tokens = new Map<string, string>()

  constructor(visitor: Visitor, login: Login) {
    this.visitor = visitor
    this.login = login
  }

  /** Goes on as another account, or with another password, that has signed in with this visitor. */
  become(login: Login, visitor: Visitor): void {
    this.login = login
    this.visitor = visitor
    this.#nonce = undefined
    // tokens belong to whoever was signed in
    this.tokens.clear()
    this.shelf.forget('options', 'themes')
  }

  /** Asks the HTTP interface. A lost session or token is renewed once, here and nowhere else. */
  async rest(
    method: NonNullable<Ask['method']>,
    route: string,
    query = '',
    json?: unknown,
    more: Ask = {},
  ): Promise<Answer> {
    const send = async () =>
      this.visitor.ask(`?rest_route=${route}${query && `&${query}`}`, {
        ...more,
        method,
        json,
        headers: { ...more.headers, 'x-wp-nonce': await this.#token() },
      })
    const answer = await send()
    if (!isLost(answer)) return answer
    await this.#renew()
    const again = await send()
    // the token was given to the owner: whoever does not take it takes none
    if (isLost(again)) throw UnpackError.of('area-closed', { address: this.visitor.home })
    return again
  }

  /** Reads every page of a list. */
  async list<T>(route: string, schema: z.ZodType<T>, query = ''): Promise<T[]> {
    const wanted = `the list of ${route}`
    const page = async (number: number) => {
      const answer = await this.rest(
        'GET',
        `/wp/v2/${route}`,
        // by number: many that were made in the same second would else stand on two pages, or on none
        `context=edit&orderby=id&order=asc&per_page=${PER_PAGE}${number > 1 ? `&page=${number}` : ''}${query && `&${query}`}`,
      )
      // an answer that does not say how many there are is not the list's
      const count = (name: string) => Number(answer.headers[name] ?? NaN)
      return {
        answer,
        items: this.read(answer, z.array(schema), wanted),
        pages: count('x-wp-totalpages'),
        total: count('x-wp-total'),
      }
    }
    const first = await page(1)
    const { answer, pages, total } = first
    if (pages > MOST.pages)
      throw UnpackError.of('answer-too-large', { url: answer.url, most: `${MOST.pages} pages of a list` })
    const rest: (typeof first)[] = []
    for (let at = 2; at <= pages; at += MOST.sideBySide) {
      const some = Array.from({ length: Math.min(MOST.sideBySide, pages - at + 1) }, (_, index) => page(at + index))
      rest.push(...(await Promise.all(some)))
    }
    const items = [first, ...rest].flatMap((one) => one.items)
    if (items.length === total) return items
    throw UnpackError.of('screen-unexpected', { url: answer.url, wanted }, { page: answer.text })
  }

  /** The JSON document that was asked for: answered with 200, and in the shape that it must have. */
  read<T>(answer: Answer, schema: z.ZodType<T>, wanted: string): T {
    // a refusal that is not one of the interface's own comes from whoever switched it off
    const code = failure.safeParse(jsonOf(answer)).data?.code
    if (answer.status >= 400 && answer.status < 500 && answer.status !== 429 && !code?.startsWith('rest_'))
      throw UnpackError.of('area-closed', { address: this.visitor.home })
    return documentOf(answer, schema, wanted)
  }

  /** Opens a screen of the dashboard: it must be that one, and whole. An ended session is renewed once. */
  async screen(
    place: string,
    sign: Sign,
    purpose: Ask['purpose'] = 'read',
  ): Promise<{ $: CheerioAPI; answer: Answer }> {
    let answer = await this.visitor.get(place, { purpose })
    // taking a large page apart just to see that it is no log-in form would cost more than fetching it
    if (answer.text.includes('loginform') && formOn(answer.text, '#loginform')) {
      await this.#renew()
      answer = await this.visitor.get(place, { purpose })
    }
    const $ = pageOf(answer, sign)
    for (const [name, value] of tokensIn(answer.text)) this.tokens.set(name, value)
    return { $, answer }
  }

  /**
   * Sends what carries a one-time value; where the session was lost it is renewed once, and the value taken anew.
   * @param act sends it; or gives something else where there is nothing to send
   */
  async send<T extends object = Answer>(act: () => Promise<Answer | T>): Promise<Answer | T> {
    const answer = await act()
    if (!('status' in answer) || !isSentAway(answer)) return answer
    await this.#renew()
    this.shelf.forget('themes', 'options')
    return act()
  }

  /** The token is asked for once, however many requests want it at the same time. */
  #token(): Promise<string> {
    this.#nonce ??= this.#askToken().catch((error: unknown) => {
      this.#nonce = undefined
      throw error
    })
    return this.#nonce
  }

  async #askToken(): Promise<string> {
    const ask = async () =>
      foldSpace((await this.visitor.get('wp-admin/admin-ajax.php?action=rest-nonce', { follow: false })).text)
    const isToken = (text: string) => /^[0-9a-f]{10}$/.test(text)
    const token = await ask()
    if (isToken(token)) return token
    await this.#logInAgain()
    const again = await ask()
    if (!isToken(again)) throw UnpackError.of('session-lost', { address: this.visitor.home })
    return again
  }

  async #logInAgain(): Promise<void> {
    if (!(await logIn(this.visitor, this.login))) throw UnpackError.of('session-lost', { address: this.visitor.home })
  }

  #renewing: Promise<void> | undefined
  /** Signs in again; requests that find out at the same time share it. */
  #renew(): Promise<void> {
    this.#renewing ??= (async () => {
      this.#nonce = undefined
      this.tokens.clear()
      await this.#logInAgain()
    })().finally(() => (this.#renewing = undefined))
    return this.#renewing
  }

  async signOut(): Promise<void> {
    const value = this.tokens.get('sign-out') ?? (await this.#askToSignOut())
    await this.visitor.get(`wp-login.php?action=logout&_wpnonce=${value}`, { purpose: 'log-in', follow: false })
    this.#nonce = undefined
    this.tokens.clear()
  }

  /** Asked without its one-time value, the system asks back, and its question holds the value. */
  async #askToSignOut(): Promise<string> {
    const asked = await this.visitor.get('wp-login.php?action=logout', { purpose: 'log-in' })
    const value = tokensIn(asked.text).get('sign-out')
    if (value !== undefined) return value
    const wanted = 'the link to sign out'
    throw UnpackError.of('screen-unexpected', { url: asked.url, wanted }, { page: asked.text })
  }
}

/** One-time values that screens show beside what they are for: signing out, and updates. */
function tokensIn(html: string): Map<string, string> {
  const signOut = /action=logout(?:&amp;|&#038;|&)_wpnonce=([0-9a-f]{10})/.exec(html)?.[1]
  const updates = /_wpUpdatesSettings = \{"ajax_nonce":"([0-9a-f]{10})"/.exec(html)?.[1]
  return new Map([
    ...(signOut ? [['sign-out', signOut] as const] : []),
    ...(updates ? [['updates', updates] as const] : []),
  ])
}

const failure = z.object({ code: z.string() })

/** True if the interface answered as to a stranger. */
function isLost(answer: Answer): boolean {
  if (answer.status !== 401 && answer.status !== 403) return false
  const code = failure.safeParse(jsonOf(answer)).data?.code
  return (
    code === 'rest_cookie_invalid_nonce' ||
    code === 'rest_not_logged_in' ||
    (answer.status === 401 && code !== undefined)
  )
}

/** True if a screen, or what takes small requests for it, answered as to a stranger. */
const isSentAway = ({ status, headers, text }: Answer): boolean =>
  /\/wp-login\.php\?redirect_to=/.test(headers.location ?? '') || (status >= 400 && /^(?:0|-1)$/.test(text.trim()))

/** The code of a refusal, or its status. */
export const refusal = (status: number, body: unknown): string => failure.safeParse(body).data?.code ?? `HTTP ${status}`
