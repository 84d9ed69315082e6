import { z } from 'zod'
import { UnpackError } from '../../core/errors.js'
import { Secret } from '../../core/secret.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import type { Ask } from '../../web/ask.js'
import { documentOf } from '../../web/reading.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login, SignedIn } from '../session.js'
import { Shelf } from '../shelf.js'
import type { Carried } from '../step.js'
import { COOKIE, enter, leave } from './sign-in.js'
import type { Together } from './together.js'

const refusalSchema = z.object({ error: z.object({ message: z.string() }) })

/** What a partial change would clear, as it stands there: sent along with every change. */
export type Base = Readonly<Record<string, unknown>>

/** The owner, by the cookie of the dashboard: with the interface's own tokens, lists leave out what visitors don't see. */
export class EverShopSession implements SignedIn {
  readonly shelf = new Shelf()
  /** By area and number: what has to be sent along, and the long number that changes and removals want. */
  readonly bases = new Map<string, Base>()
  readonly uuids = new Map<string, string>()
  /** What stands together in variants, by the slug that they share. */
  readonly together = new Map<string, Together>()
  constructor(
    readonly visitor: Visitor,
    readonly login: Login,
  ) {}

  /** Asks the dashboard's interface. An ended session is renewed, once. */
  async #ask(place: string, ask: Ask): Promise<Answer> {
    const send = () => this.visitor.ask(place, ask)
    const answer = await send()
    if (answer.status !== 401) return answer
    if (!(await enter(this.visitor, this.login))) throw UnpackError.of('session-lost', { address: this.visitor.home })
    return send()
  }

  /** What a query gives, in the shape that it must have. A field that the system does not know is dropped without a word. */
  async query<T>(query: string, schema: z.ZodType<T>, wanted: string): Promise<T> {
    const answer = await this.#ask('api/admin/graphql', { method: 'POST', json: { query }, purpose: 'read' })
    return documentOf(answer, z.object({ data: schema }), wanted).data
  }

  /** A document of the interface, as it came. @param tells which answers tell something, although they say that it failed */
  read(place: string, tells: (answer: Answer) => boolean): Promise<Answer> {
    return this.#ask(place, { method: 'GET', tells })
  }

  /** Sends a change. The system answers 500 for what it only does not take. */
  async write(
    method: 'POST' | 'PATCH' | 'DELETE',
    place: string,
    more: Pick<Ask, 'json' | 'parts'> = {},
  ): Promise<Sent> {
    const answer = await this.#ask(place, { method, ...more })
    if (answer.status === 200) return { data: jsonOf(answer) }
    const told = refusalSchema.safeParse(jsonOf(answer)).data?.error.message
    return { refused: told?.replace(/^Exception in middleware \w+: /, '') ?? `HTTP ${answer.status}` }
  }

  async kept(): Promise<Secret | undefined> {
    const cookie = await this.visitor.cookie(COOKIE)
    return cookie === undefined ? undefined : new Secret(cookie)
  }

  async signOut(): Promise<void> {
    await leave(this.visitor)
  }
}

/** What came of a change. */
export type Sent = { data: unknown; refused?: undefined } | { refused: string; data?: undefined }

/** What came of a step. @param sent the answer to it */
export const carried = ({ refused }: Sent): Carried => (refused === undefined ? {} : { refused })
