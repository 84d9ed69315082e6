import { load, type CheerioAPI } from 'cheerio'
import { UnpackError } from '../../core/errors.js'
import { foldSpace } from '../../core/text/plain.js'
import type { Answer } from '../../web/answer.js'
import { changedPairs, type Form } from '../../web/forms.js'
import { formIn, pageOf } from '../../web/reading.js'
import type { Ask, FilePart } from '../../web/ask.js'
import type { Visitor } from '../../web/visitor.js'
import { Shelf } from '../shelf.js'
import type { Carried } from '../step.js'
import type { Login, SignedIn } from '../session.js'
import { signAt } from './signs.js'
import { asksToSignIn, leave, logIn, tokenOf } from './sign-in.js'
import { treeOf } from './tree.js'

export type Changes = Readonly<Record<string, string | readonly string[]>>

/** The owner at the dashboard: whole forms, read, changed and sent back. */
export class MisagoSession implements SignedIn {
  readonly shelf = new Shelf()
  /** Lists of accounts that were read: stale with every account that changes. */
  readonly lists = new Set<string>()
  visitor: Visitor
  login: Login
  constructor(visitor: Visitor, login: Login) {
    this.visitor = visitor
    this.login = login
  }

  /** Goes on with another login that has signed in with this visitor. */
  become(login: Login, visitor: Visitor): void {
    this.login = login
    this.visitor = visitor
  }

  /** What stands at a place of the dashboard; an ended session is renewed once. */
  async #open(place: string): Promise<Answer> {
    const answer = await this.visitor.get(`admincp/${place}`)
    if (!asksToSignIn(answer.text)) return answer
    await this.renew()
    return this.visitor.get(`admincp/${place}`)
  }

  #renewing: Promise<void> | undefined
  /** Signs in again; screens that find out at the same time share it. */
  renew(): Promise<void> {
    this.#renewing ??= (async () => {
      if (!(await logIn(this.visitor, this.login))) throw UnpackError.of('session-lost', { address: this.visitor.home })
    })().finally(() => (this.#renewing = undefined))
    return this.#renewing
  }

  /** A screen, taken apart; read once until it is stale. */
  screen(place: string): Promise<CheerioAPI> {
    if (place.startsWith('users/')) this.lists.add(place)
    return this.shelf.read(place, async () => pageOf(await this.#open(place), signAt(place)))
  }

  /** The form on a screen as it stands; read once until it is stale. @param name what its item goes by, where that tells it */
  form(place: string, name?: string): Promise<Form> {
    return this.shelf.read(`${place} form`, () => this.#form(place, name))
  }

  async #form(place: string, name?: string): Promise<Form> {
    const sign = signAt(place, name)
    // a form of rights has one field for each category
    const own = /^permissions\/categories\/\d+\/$/.test(place) ? (await treeOf(this)).map(({ id }) => `${id}-role`) : []
    return formIn(await this.#open(place), { ...sign, fields: [...sign.fields, ...own] })
  }

  /**
   * Sends a form whole, with these changes.
   * @param how `as read`: the form as it was read for comparing; `anew`: read again, since something else may have changed it;
   *   `blank`: the form for a new item, which is the same for all of them
   */
  async send(
    place: string,
    changes: Changes,
    how: 'as read' | 'anew' | 'blank' = 'as read',
  ): Promise<Carried & { location?: string }> {
    const act = async (form: Form) => {
      // the token changes with every sign-in, the form that was read stays good
      const { 'x-csrftoken': token } = await tokenOf(this.visitor)
      const pairs = changedPairs(form.pairs, { ...changes, csrfmiddlewaretoken: token })
      return this.visitor.post(`admincp/${place}`, pairs)
    }
    let answer = await act(await (how === 'anew' ? this.#form(place) : this.form(place)))
    if (asksToSignIn(answer.text)) {
      await this.renew()
      answer = await act(await this.#form(place))
      this.shelf.forget(`${place} form`)
    }
    if (how !== 'blank') this.shelf.forget(place, `${place} form`)
    return answer.status === 302 ? { location: answer.headers.location } : { refused: complaint(answer) }
  }

  /** Sends a form with a file in it. */
  async sendFile(
    place: string,
    changes: Readonly<Record<string, string>>,
    { field, part }: { field: string; part: FilePart },
  ): Promise<Carried> {
    const { fields } = await this.#form(place)
    const parts = { ...fields, ...changes, [field]: part }
    const answer = await this.visitor.ask(`admincp/${place}`, { method: 'POST', parts })
    return answer.status === 302 ? {} : { refused: complaint(answer) }
  }

  /** Pushes a button of a list. */
  async push(place: string): Promise<Carried> {
    const answer = await this.api('POST', `admincp/${place}`)
    return answer.status === 302 ? {} : { refused: complaint(answer) }
  }

  /** Does something to several rows of a list. */
  async mass(place: string, action: string, ids: readonly string[]): Promise<Carried> {
    const pairs = [['action', action] as const, ...ids.map((id) => ['selected_items', id] as const)]
    const answer = await this.visitor.post(`admincp/${place}`, pairs, { headers: await tokenOf(this.visitor) })
    return answer.status === 302 ? {} : { refused: complaint(answer) }
  }

  /** Asks the HTTP interface, with the token that it wants said back. */
  async api(method: NonNullable<Ask['method']>, place: string, json?: unknown): Promise<Answer> {
    return this.visitor.ask(place, { method, json, headers: await tokenOf(this.visitor) })
  }

  async signOut(): Promise<void> {
    await leave(this.visitor)
  }
}

/** What a form that was not taken says of why. */
function complaint({ status, text }: Answer): string {
  const $ = load(text)
  const said = $('.invalid-feedback, .errorlist, .alert-danger, .form-text.text-danger')
    .toArray()
    .map((element) => foldSpace($(element).text()))
    .filter((line) => line !== '')
  return said.length > 0 ? said.slice(0, 3).join('; ') : `HTTP ${status}`
}
