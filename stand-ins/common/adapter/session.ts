import {
  foldSpace,
  has,
  pageOf,
  Shelf,
  UnpackError,
  type Carried,
  type FilePart,
  type Keeper,
  type Login,
  type SignedIn,
  type Visitor,
  type Answer,
  type Sign,
  formIn,
} from 'unpack'
import { load, type CheerioAPI } from 'cheerio'

/** Fills the log-in form. */
export async function logIn(visitor: Visitor, { username, password }: Login): Promise<boolean> {
  const answer = await visitor.post('enter', { username, password: password.reveal() }, { purpose: 'log-in' })
  if (has(answer.text, 'form#second')) throw UnpackError.of('sign-in-challenge', { address: visitor.home })
  return answer.status === 303
}

export interface Row {
  id: number
  /** Its number as it stands there; a word where items go by names. */
  name: string
  data: Readonly<Record<string, string>>
  cells: readonly string[]
}

export interface Sending {
  changes?: Readonly<Record<string, string>>
  /** The form's id. */
  form?: string
  /** Where it goes, where that is not the screen it stands on. */
  to?: string
  file?: { field: string; part: FilePart }
}

const tooLarge = (status: number, bytes: number): string =>
  status === 413
    ? `HTTP 413: the file has ${(bytes / 1024).toFixed(0)} KiB, and this server takes less; ask the host to raise its limit`
    : `HTTP ${status}`

/** The owner at the stand-in's dashboard: screens that are read as tables and forms. */
export class StandInSession implements SignedIn {
  readonly shelf = new Shelf()
  /** Whoever looks after the server with the host's temporary password; `renewed` once that is the owner's own. */
  keeper: (Keeper & { renewed?: true }) | undefined
  #visitor: Visitor
  #login: Login
  constructor(
    visitor: Visitor,
    login: Login,
    /** The fields of forms, by their room: a form is sent whole. */
    private readonly fields: Readonly<Record<string, readonly string[]>>,
    /** Rooms whose forms have a box for each group. */
    private readonly perGroup: ReadonlySet<string> = new Set(),
  ) {
    this.keeper = login.keeper
    this.#visitor = visitor
    this.#login = login
  }
  get visitor(): Visitor {
    return this.#visitor
  }
  get login(): Login {
    return this.#login
  }
  /** Goes on with another login, which was tried in a session of its own. */
  async become(login: Login): Promise<boolean> {
    const visitor = this.visitor.another()
    if (!(await logIn(visitor, login))) return false
    this.#visitor = visitor
    this.#login = login
    return true
  }

  /** A screen of the dashboard, taken apart; an ended session is renewed once. */
  async screen(room: string): Promise<CheerioAPI> {
    return this.#open(room, '')
  }

  /** Opens a screen: it must be that one, whole, with what is looked for on it. */
  async #open(room: string, selector: string): Promise<CheerioAPI> {
    return pageOf(await this.#answer(room), this.#sign(room, selector))
  }

  #sign(room: string, selector: string): Sign {
    const name = room.replace(/\/.*/, '') || 'start'
    return { has: `main[data-screen="${name}"] ${selector}`, wanted: `the screen “${name}”` }
  }

  async #answer(room: string): Promise<Answer> {
    let answer = await this.visitor.get(`office/${room}`)
    // most pages are not taken apart twice: only one that names the form may be it
    if (answer.text.includes('id="enter"') && has(answer.text, 'form#enter')) {
      if (!(await logIn(this.visitor, this.login))) throw UnpackError.of('session-lost', { address: this.visitor.home })
      answer = await this.visitor.get(`office/${room}`)
    }
    return answer
  }

  /** The rows of a list; read once until it is stale. */
  rows(room: string): Promise<Row[]> {
    return this.shelf.read(room, async () => {
      const rows: Row[] = []
      // long lists come in pages
      for (let page = 1, more = true; more; page += 1) {
        const $ = pageOf(
          await this.#answer(page === 1 ? room : `${room}?page=${page}`),
          this.#sign(room, 'table#items'),
        )
        rows.push(...rowsOf($))
        more = $('a.next').length > 0
      }
      return rows
    })
  }

  /** The values in a form, as it stands. */
  form(room: string, id = 'edit'): Promise<Record<string, string>> {
    return this.shelf.read(`${room} form#${id}`, () => this.#form(room, id, room))
  }

  async #form(room: string, id: string, to: string): Promise<Record<string, string>> {
    const form = `form#${id}[action$="/office/${to}"]`
    const fields = id === 'edit' ? await this.#fieldsOf(room) : []
    return formIn(await this.#answer(room), { ...this.#sign(room, form), form, fields }).fields
  }

  /** The fields of a form to edit something: those that are known, and one for each group where groups have some. */
  async #fieldsOf(room: string): Promise<string[]> {
    const name = room.replace(/\/.*/, '')
    const known = this.fields[name] ?? []
    if (!this.perGroup.has(name)) return [...known]
    const groups = await this.rows('groups')
    // rooms that give rights have a box a right for each group, others one that says who is in it
    const rights = known.filter((one) => one.endsWith(' members')).map((one) => one.replace(/members$/, ''))
    return [
      ...known,
      ...(rights.length > 0 ? rights : ['']).flatMap((one) => groups.map(({ id }) => `${one}group ${id}`)),
    ]
  }

  /** Sends a form whole, with these changes and a token of its own. */
  async send(room: string, { changes = {}, form = 'edit', to = room, file }: Sending): Promise<Carried> {
    const fields = { ...(await this.#form(room, form, to)), ...changes }
    const place = `office/${to}`
    const answer = file
      ? await this.visitor.ask(place, { method: 'POST', parts: { ...fields, [file.field]: file.part } })
      : await this.visitor.post(place, fields)
    this.shelf.forget(room, `${room} form#${form}`, room.replace(/\/.*/, ''))
    const made = /\/(\d+)$/.exec(answer.headers.location ?? '')?.[1]
    if (answer.status === 303) return made === undefined ? {} : { id: Number(made) }
    const said = foldSpace(load(answer.text)('#trouble').text())
    return { refused: said || tooLarge(answer.status, file?.part.bytes.length ?? 0) }
  }

  async signOut(): Promise<void> {
    await this.visitor.post('leave', {}, { purpose: 'log-in' })
  }
}

const rowsOf = ($: CheerioAPI): Row[] =>
  $('table#items tr')
    .toArray()
    .map((row) => ({
      id: Number($(row).attr('data-id')),
      name: $(row).attr('data-id') ?? '',
      data: Object.fromEntries(Object.entries(row.attribs).map(([name, value]) => [name.replace(/^data-/, ''), value])),
      cells: $(row)
        .find('td')
        .toArray()
        .map((cell) => $(cell).text()),
    }))
