import { formOn, has, Shelf, UnpackError, type Answer, type Login, type SignedIn, type Visitor } from 'unpack'
import { load, type CheerioAPI } from 'cheerio'

/** Fills the log-in form. */
export async function logIn(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const answer = await visitor.post('enter', { username, password: password.reveal() }, { purpose: 'log-in' })
  return answer.status === 303
}

export interface Row {
  id: number
  data: Readonly<Record<string, string>>
  cells: readonly string[]
}

/** The owner at the stand-in's dashboard: screens that are read as tables and forms. */
export class StandInSession implements SignedIn {
  readonly shelf = new Shelf()
  constructor(
    readonly visitor: Visitor,
    readonly login: Login,
  ) {}

  /** Opens a screen; an ended session is renewed once. */
  async screen(room: string): Promise<CheerioAPI> {
    return load((await this.#open(room)).text)
  }

  async #open(room: string): Promise<Answer> {
    const answer = await this.visitor.get(`office/${room}`)
    if (!has(answer.text, 'form#enter')) return answer
    if (!(await logIn(this.visitor, this.login))) throw UnpackError.of('session-lost', { address: this.visitor.home })
    return this.visitor.get(`office/${room}`)
  }

  /** The rows of a list; read once until it is stale. */
  rows(room: string): Promise<Row[]> {
    return this.shelf.read(room, async () => {
      const $ = await this.screen(room)
      return $('table#items tr')
        .toArray()
        .map((row) => ({
          id: Number($(row).attr('data-id')),
          data: Object.fromEntries(
            Object.entries(row.attribs).map(([name, value]) => [name.replace(/^data-/, ''), value]),
          ),
          cells: $(row)
            .find('td')
            .toArray()
            .map((cell) => $(cell).text()),
        }))
    })
  }

  /** The values in a form, as it stands. */
  form(room: string, selector = 'form#edit'): Promise<Record<string, string>> {
    return this.shelf.read(`${room} ${selector}`, () => this.#form(room, selector))
  }

  async #form(room: string, selector: string): Promise<Record<string, string>> {
    const answer = await this.#open(room)
    const form = formOn(answer.text, selector)
    if (!form) throw UnpackError.of('screen-unexpected', { url: answer.url, wanted: 'the form' }, { page: answer.text })
    return form.fields
  }

  /** Sends a form whole, with these changes and a token of its own; gives why it was refused, if it was. */
  async send(
    room: string,
    changes: Readonly<Record<string, string>>,
    selector = 'form#edit',
    target = room,
  ): Promise<string | undefined> {
    const fields = await this.#form(room, selector)
    const answer = await this.visitor.post(`office/${target}`, { ...fields, ...changes })
    this.shelf.forget(room, `${room} ${selector}`, room.replace(/\/.*/, ''))
    return answer.status === 303 ? undefined : `HTTP ${answer.status}`
  }

  async signOut(): Promise<void> {
    await this.visitor.post('leave', {}, { purpose: 'log-in' })
  }
}
