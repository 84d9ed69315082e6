import { randomBytes } from 'node:crypto'
import type { FastifyReply, FastifyRequest } from 'fastify'

interface Session {
  account: number
  tokens: Set<string>
  until: number
}
const MINUTES = 20
const secret = (): string => randomBytes(16).toString('hex')

/** Who is signed in, for twenty minutes from their last click, and the one-time tokens of their forms. */
export class Sessions {
  readonly #open = new Map<string, Session>()
  constructor(private readonly base: string) {}

  begin(reply: FastifyReply, account: number): void {
    const id = secret()
    this.#open.set(id, { account, tokens: new Set(), until: Date.now() + MINUTES * 60_000 })
    void reply.setCookie('sitting', id, { path: this.base, httpOnly: true, sameSite: 'lax' })
  }
  account(request: FastifyRequest): number | undefined {
    return this.#of(request)?.account
  }
  /** A token for one form, good for one sending. */
  token(request: FastifyRequest): string {
    const token = secret()
    this.#of(request)?.tokens.add(token)
    return token
  }
  /** True if the token was given out to this session and not used before. */
  spend(request: FastifyRequest, token: string | undefined): boolean {
    return token !== undefined && (this.#of(request)?.tokens.delete(token) ?? false)
  }
  end(request: FastifyRequest): void {
    this.#open.delete(request.cookies.sitting ?? '')
  }
  /** Ends everybody's session, as a restart or a time limit would. */
  endAll(): void {
    this.#open.clear()
  }
  #of(request: FastifyRequest): Session | undefined {
    const session = this.#open.get(request.cookies.sitting ?? '')
    if (!session || session.until < Date.now()) return undefined
    session.until = Date.now() + MINUTES * 60_000
    return session
  }
}
