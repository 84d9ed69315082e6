import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { esc, form, page, type Field } from '../html.js'
import type { Sessions } from '../sessions.js'

export type Fields = Record<string, string | undefined>
export type Asked = FastifyRequest<{ Params: { id: string } }>
export interface Row {
  id: number
  marks?: Record<string, string>
  cells: readonly string[]
}

const rooms = 'settings profile posts pages comments categories uploads tags menus themes add-ons accounts'.split(' ')
const simple = (title: string, id: string, text: string): string =>
  page({ title, lang: 'en', body: `<main id="${id}"><p>${esc(text)}</p></main>` })

/** What all screens of the dashboard share: who may in, one-time tokens, the frame, tables and forms. */
export class Office {
  readonly place: string
  constructor(
    readonly app: FastifyInstance,
    readonly sessions: Sessions,
    readonly base: string,
  ) {
    this.place = `${base}office`
  }

  /** A screen for whoever is signed in; others are sent to the log-in form. */
  get(place: string, show: (request: Asked, reply: FastifyReply) => unknown): void {
    this.app.get<{ Params: { id: string } }>(`${this.place}${place}`, (request, reply) =>
      this.sessions.account(request) === undefined ? this.#toSignIn(reply) : show(request, reply),
    )
  }

  /**
   * A form's target: signed in, with a token that was not used before.
   * @param take does it; gives the trouble, if there is any
   * @param back the screen to go back to
   */
  post(place: string, back: string, take: (body: Fields, id: number) => string | undefined): void {
    this.app.post<{ Body: Fields; Params: { id: string } }>(`${this.place}${place}`, (request, reply) => {
      if (this.sessions.account(request) === undefined) return this.#toSignIn(reply)
      if (!this.sessions.spend(request, request.body.token))
        return reply
          .status(403)
          .type('text/html')
          .send(simple('Expired', 'expired', 'This form has expired.'))
      const trouble = take(request.body, Number(request.params.id))
      if (trouble === undefined) return reply.redirect(`${this.place}${back}`, 303)
      return reply
        .status(422)
        .type('text/html')
        .send(simple('Not taken', 'trouble', trouble))
    })
  }

  /** A screen's page around its main part. */
  screen(reply: FastifyReply, name: string, main: string): FastifyReply {
    const links = ['', ...rooms].map((room) => `<a href="${this.place}${room && `/${room}`}">${room || 'start'}</a>`)
    const body = `<header><h1>Dashboard</h1><nav>${links.join(' ')}</nav></header><main data-screen="${name}"><h2>${esc(name)}</h2>${main}</main>`
    return reply.type('text/html; charset=utf-8').send(page({ title: `${name} · dashboard`, lang: 'en', body }))
  }

  /** A form to edit something, and one to remove it. */
  editor(request: FastifyRequest, action: string, fields: readonly Field[], removable = false): string {
    const target = `${this.place}${action}`
    const edit = form({ action: target, token: this.sessions.token(request), id: 'edit', button: 'Save', fields })
    return edit + (removable ? this.remover(request, action, 'remove') : '')
  }

  remover(request: FastifyRequest, action: string, id: string): string {
    const target = `${this.place}${action}/remove`
    return form({ action: target, token: this.sessions.token(request), id, button: 'Remove', fields: [] })
  }

  /** A list; with `link`, each first cell leads to its item. */
  table(rows: readonly Row[], link = ''): string {
    const cellOf = (id: number) => (cell: string, index: number) =>
      `<td>${index === 0 && link ? `<a href="${this.place}/${link}/${id}">${esc(cell)}</a>` : esc(cell)}</td>`
    const rowsOf = rows.map(({ id, marks = {}, cells }) => {
      const data = Object.entries(marks).map(([name, value]) => ` data-${name}="${esc(value)}"`)
      return `<tr data-id="${id}"${data.join('')}>${cells.map(cellOf(id)).join('')}</tr>`
    })
    return `<table id="items">${rowsOf.join('')}</table>`
  }

  #toSignIn(reply: FastifyReply): FastifyReply {
    return reply.redirect(`${this.base}enter`, 302)
  }
}
