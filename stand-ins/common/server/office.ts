import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { esc, form, type Field, type PageOptions } from './html.js'
import type { Sessions } from './sessions.js'

export type Fields = Record<string, string | undefined>
export type Asked = FastifyRequest<{ Params: { id: string } }>
/** A file that came with a form. */
export interface FileSent {
  name: string
  type: string
  bytes: Buffer
}
/** What a form's target says: trouble, the number of what was made, or nothing. */
export type Taken = string | number | undefined
export interface Row {
  id: number | string
  marks?: Record<string, string>
  cells: readonly string[]
}

/** What all screens of the dashboard share: who may in, one-time tokens, the frame, tables and forms. */
export class Office {
  readonly place: string
  constructor(
    readonly app: FastifyInstance,
    readonly sessions: Sessions,
    readonly base: string,
    /** The screens, in the order of the menu. */
    private readonly rooms: readonly string[],
    private readonly page: (options: PageOptions) => string,
    /** Whether an account may come in; everybody who is signed in where left out. */
    private readonly mayEnter: (account: number) => boolean = () => true,
    /** Whether a form only answers as if it had saved. */
    private readonly pretends: (place: string) => boolean = () => false,
  ) {
    this.place = `${base}office`
  }

  /** A screen for whoever is signed in; others are sent to the log-in form. */
  get(place: string, show: (request: Asked, reply: FastifyReply) => unknown): void {
    this.app.get<{ Params: { id: string } }>(`${this.place}${place}`, (request, reply) =>
      this.#isIn(request) ? show(request, reply) : this.#toSignIn(reply),
    )
  }

  /**
   * A form's target: signed in, with a token that was not used before.
   * @param take does it
   * @param back the screen to go back to; what was made has one of its own below it
   */
  post(
    place: string,
    back: string,
    take: (body: Fields, id: number, request: Asked, file?: FileSent) => Taken | Promise<Taken>,
  ): void {
    this.app.post<{ Body: Fields | undefined; Params: { id: string } }>(
      `${this.place}${place}`,
      async (request, reply) => {
        if (!this.#isIn(request)) return this.#toSignIn(reply)
        const { fields, file } = request.isMultipart() ? await sent(request) : { fields: request.body ?? {} }
        if (!this.sessions.spend(request, fields.token))
          return reply
            .status(403)
            .type('text/html')
            .send(this.#simple('Expired', 'expired', 'This form has expired.'))
        const asked = request.url.slice(this.place.length + 1)
        const taken = this.pretends(asked) ? undefined : await take(fields, Number(request.params.id), request, file)
        if (typeof taken === 'string')
          return reply
            .status(422)
            .type('text/html')
            .send(this.#simple('Not taken', 'trouble', taken))
        return reply.redirect(`${this.place}${back}${taken === undefined ? '' : `/${taken}`}`, 303)
      },
    )
  }

  /** A screen's page around its main part. */
  screen(reply: FastifyReply, name: string, main: string): FastifyReply {
    const links = ['', ...this.rooms].map(
      (room) => `<a href="${this.place}${room && `/${room}`}">${room || 'start'}</a>`,
    )
    const body = `<header><h1>Dashboard</h1><nav>${links.join(' ')}</nav></header><main data-screen="${name}"><h2>${esc(name)}</h2>${main}</main>`
    return reply.type('text/html; charset=utf-8').send(this.page({ title: `${name} · dashboard`, lang: 'en', body }))
  }

  /** A form to edit something, and one to remove it. */
  editor(request: FastifyRequest, action: string, fields: readonly Field[], removable = false): string {
    const target = `${this.place}${action}`
    const edit = form({ action: target, token: this.sessions.token(request), id: 'edit', button: 'Save', fields })
    return edit + (removable ? this.remover(request, action, 'remove') : '')
  }

  remover(request: FastifyRequest, action: string, id: string): string {
    return this.button(request, `${action}/remove`, id, 'Remove')
  }

  /** A form that is a button, and what it asks with it. */
  button(request: FastifyRequest, action: string, id: string, button: string, fields: readonly Field[] = []): string {
    return form({ action: `${this.place}${action}`, token: this.sessions.token(request), id, button, fields })
  }

  /** A list; with `link`, each first cell leads to its item. */
  table(rows: readonly Row[], link = ''): string {
    const cellOf = (id: number | string) => (cell: string, index: number) =>
      `<td>${index === 0 && link ? `<a href="${this.place}/${link}/${id}">${esc(cell)}</a>` : esc(cell)}</td>`
    const rowsOf = rows.map(({ id, marks = {}, cells }) => {
      const data = Object.entries(marks).map(([name, value]) => ` data-${name}="${esc(value)}"`)
      return `<tr data-id="${id}"${data.join('')}>${cells.map(cellOf(id)).join('')}</tr>`
    })
    return `<table id="items">${rowsOf.join('')}</table>`
  }

  #isIn(request: FastifyRequest): boolean {
    const account = this.sessions.account(request)
    return account !== undefined && this.mayEnter(account)
  }

  #simple(title: string, id: string, text: string): string {
    return this.page({ title, lang: 'en', body: `<main id="${id}"><p>${esc(text)}</p></main>` })
  }

  #toSignIn(reply: FastifyReply): FastifyReply {
    return reply.redirect(`${this.base}enter`, 302)
  }
}

/** The parts of a form with a file. */
async function sent(request: FastifyRequest): Promise<{ fields: Fields; file?: FileSent }> {
  const fields: Fields = {}
  let file: FileSent | undefined
  for await (const part of request.parts())
    if (part.type === 'file') file = { name: part.filename, type: part.mimetype, bytes: await part.toBuffer() }
    else fields[part.fieldname] = String(part.value)
  return { fields, file }
}
