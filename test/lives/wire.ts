import { mock } from 'node:test'
import type { FastifyInstance } from 'fastify'

/** What happens to a run on its way to the site, and at which of its requests. */
export interface Accident {
  at: number
  /** Whether requests count from the first write on. */
  ofWrites?: true
  /** `killed`: the process is gone; `cut`: no request gets through any more; the others happen to one request. */
  kind: 'killed' | 'cut' | 'refused' | 'unheard' | 'fails' | 'half'
}
/** What a person does during a run, and at which request. */
export interface Meanwhile {
  at: number
  act: () => void
}
interface Socket {
  destroy(): unknown
}

/** The way between runs and a stand-in. Counts the requests of a run, moves the clock, and lets accidents happen. */
export class Wire {
  #requests = 0
  /** Requests from the first write on. */
  #ofWrites = 0
  #accident: Accident | undefined
  #meanwhile: Meanwhile | undefined
  #answered: (line: string) => void = () => undefined
  /** Aborted when a run is killed or cut off. */
  stop = new AbortController()

  /** @param killed called at the moment at which the process of a run is gone */
  constructor(
    app: FastifyInstance,
    private readonly killed: () => void,
  ) {
    app.addHook('onRequest', async (request) =>
      this.#arrives(request.raw.socket, request.method === 'POST' && !/\/(?:enter|leave)$/.test(request.url)),
    )
    app.addHook('onSend', async (request, reply, payload) => {
      this.#answered(`${request.method} ${request.url}`)
      if (this.#isNow('unheard')) request.raw.socket.destroy()
      if (this.#isNow('fails')) {
        void reply.code(503).header('retry-after', '0').type('text/html')
        return 'Try again later.'
      }
      return this.#isNow('half') && typeof payload === 'string' ? payload.slice(0, payload.length / 2) : payload
    })
  }

  /** @param answered called after each request, before its answer is sent */
  begin(accident: Accident | undefined, meanwhile: Meanwhile | undefined, answered: (line: string) => void): void {
    this.#requests = this.#ofWrites = 0
    this.#accident = accident
    this.#meanwhile = meanwhile
    this.#answered = answered
    this.stop = new AbortController()
  }
  end(): void {
    this.begin(undefined, undefined, () => undefined)
  }

  #arrives(socket: Socket, isWrite: boolean): void {
    this.#requests += 1
    if (isWrite || this.#ofWrites > 0) this.#ofWrites += 1
    mock.timers.tick(1000)
    if (this.#meanwhile?.at === this.#requests) this.#meanwhile.act()
    if (this.#isNow('refused')) socket.destroy()
    if (this.#isNow('killed')) this.killed()
    const { at = Infinity, kind } = this.#accident ?? {}
    if ((kind !== 'killed' && kind !== 'cut') || this.#number < at) return
    this.stop.abort()
    socket.destroy()
  }
  #isNow(kind: Accident['kind']): boolean {
    return this.#accident?.kind === kind && this.#accident.at === this.#number
  }
  get #number(): number {
    return this.#accident?.ofWrites ? this.#ofWrites : this.#requests
  }
}
