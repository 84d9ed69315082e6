import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import type { Form } from '../../web/forms.js'
import type { Carried } from '../step.js'
import { documentOf, formIn, pageOf, type Sign } from '../../web/reading.js'
import type { Answer } from '../../web/answer.js'
import type { Ask } from '../../web/ask.js'
import type { Visitor } from '../../web/visitor.js'
import type { Keeper, Login, SignedIn } from '../session.js'
import { Shelf } from '../shelf.js'
import { panels } from './panels.js'
import { usersOf } from './groups.js'
import { basic, enter, leave } from './sign-in.js'

const FORM = 'form#form'
type ListSchema<T> = z.ZodType<{ items: T[]; items_total: number }>
/** How many items a list is asked for at once. */
const AT_ONCE = 250

/**
 * The owner, or whoever looks after the server, signed in with every request: there is no session that could end, and no cookie
 * that would hold a password.
 */
export class PloneSession implements SignedIn {
  readonly shelf = new Shelf()
  /** The version, as whoever is signed in is told. */
  version = ''
  /** Whoever looks after the server with the host's temporary password; `renewed` once that is the owner's own. */
  keeper: (Keeper & { renewed?: true }) | undefined
  #visitor: Visitor
  #login: Login
  constructor(visitor: Visitor, login: Login) {
    this.keeper = login.keeper
    this.#visitor = visitor.saying(basic(login))
    this.#login = login
  }
  get visitor(): Visitor {
    return this.#visitor
  }
  get login(): Login {
    return this.#login
  }
  /** Goes on as somebody else, whose login was tried in a session of its own. */
  become(login: Login): void {
    this.#login = login
    this.#visitor = this.#visitor.saying(basic(login))
  }

  /** Where the whole server answers, which may hold other sites. */
  get server(): Visitor {
    return this.#visitor.onServer()
  }

  /** Asks the HTTP interface. It saves nothing unless JSON is asked for. @param at the site, or its whole server */
  async rest(
    method: NonNullable<Ask['method']>,
    place: string,
    json?: unknown,
    { at = this.visitor, ...more }: Ask & { at?: Visitor } = {},
  ): Promise<Answer> {
    const answer = await at.ask(place, { ...more, method, json, headers: { accept: 'application/json' } })
    if (answer.status !== 401) return answer
    throw UnpackError.of('session-lost', { address: this.visitor.home })
  }

  /** A document of the HTTP interface; read once until it is stale. */
  document<T>(place: string, schema: z.ZodType<T>, wanted: string): Promise<T> {
    return this.shelf.read(place, async () => documentOf(await this.rest('GET', place), schema, wanted))
  }

  /** All items of a list, read once until it is stale. */
  list<T>(place: string, schema: ListSchema<T>, wanted: string): Promise<T[]> {
    return this.shelf.read(place, () => this.listNow(place, schema, wanted))
  }

  /** All items of a list that comes in parts: as many as it says that there are. */
  async listNow<T>(place: string, schema: ListSchema<T>, wanted: string): Promise<T[]> {
    const part = async (start: number) => {
      const between = place.includes('?') ? '&' : '?'
      const answer = await this.rest('GET', `${place}${between}b_size=${AT_ONCE}&b_start=${start}`)
      return { answer, ...documentOf(answer, schema, wanted) }
    }
    const first = await part(0)
    const items = [...first.items]
    while (items.length < first.items_total) {
      const next = await part(items.length)
      if (next.items.length === 0) throw UnpackError.of('screen-unexpected', { url: next.answer.url, wanted })
      items.push(...next.items)
    }
    return items
  }

  /** A page of the dashboard. */
  async page(place: string, sign: Sign): Promise<ReturnType<typeof pageOf>> {
    return pageOf(await this.visitor.get(place), sign)
  }

  /** Sends a form of the site. Without the token that every form has on it, it would be answered as usual and not saved. */
  async submit(place: string, form: Readonly<Record<string, string>>, parts?: Ask['parts']): Promise<Answer> {
    const token = { _authenticator: await this.#token() }
    if (parts) return this.visitor.ask(place, { method: 'POST', parts: { ...form, ...parts, ...token } })
    return this.visitor.post(place, { ...form, ...token })
  }

  /** A form on a page of the site, with its fields. */
  async form(place: string, fields: readonly string[]): Promise<Form> {
    return formIn(await this.visitor.get(place), { has: FORM, wanted: 'a form', form: FORM, fields })
  }

  /** Sends a form whole, with these changes. Taken is what leads on to another page. */
  async send(place: string, button: string, changes: Readonly<Record<string, string>>): Promise<Carried> {
    const { fields } = await this.form(place, Object.keys(changes))
    const answer = await this.submit(place, {}, { ...fields, ...changes, [button]: '1' })
    return answer.status === 302 ? {} : { refused: `HTTP ${answer.status}` }
  }

  #token(): Promise<string> {
    return this.shelf.read('token', async () => {
      // this screen is never themed: a theme that fails takes the tokens off all other forms
      const sign = { has: 'input[name=_authenticator][value]', wanted: 'a form with its token' }
      const $ = pageOf(await this.visitor.get('@@theming-controlpanel'), sign)
      return $('input[name=_authenticator]').first().attr('value') ?? ''
    })
  }

  /** The site's language, which has to be said along with what the site itself is told. */
  async language(): Promise<{ language: string }> {
    return { language: (await panels.language(this)).default_language }
  }

  #browser: Promise<Visitor> | undefined
  /** A browser of the owner's own. Whoever looks after the server gets none: its cookie would hold the password itself. */
  browser(): Promise<Visitor> {
    this.#browser ??= (async () => {
      if (!(await usersOf(this)).some(({ username }) => username === this.#login.username)) return this.visitor
      const visitor = this.visitor.another()
      if (!(await enter(visitor, this.#login))) throw UnpackError.of('session-lost', { address: visitor.home })
      return visitor
    })()
    return this.#browser
  }

  async signOut(): Promise<void> {
    const browser = await this.#browser
    if (browser && browser !== this.#visitor) await leave(browser)
    this.#visitor = this.#visitor.another()
  }
}
