import cookie from '@fastify/cookie'
import formbody from '@fastify/formbody'
import multipart from '@fastify/multipart'
import fastify, { type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify'
import { Sessions } from './sessions.js'
import { inVersion, VERSION } from './version.js'

/** A stand-in that is running. */
export interface StandInSite {
  app: FastifyInstance
  sessions: Sessions
  /** Requests that came in, as `GET /place`. */
  requests: string[]
  /** Whether answers are changed on their way out; for tests. */
  tamper?: (url: string, html: string) => string
  listen(port: number): Promise<string>
  close(): Promise<void>
}

/** What every stand-in is built on: forms, cookies, files with a limit, and an account of what came in. */
export function standInSite(options: {
  base: string
  /** The version that it calls itself. */
  version?: string
  largestFile: number
  /** What stands in front of everything; gives an answer where it does not let the request through. */
  before?(request: FastifyRequest, reply: FastifyReply): FastifyReply | undefined
  routes(app: FastifyInstance, sessions: Sessions): void
}): StandInSite {
  const { base, version = VERSION, largestFile, before, routes } = options
  const app = fastify({
    routerOptions: { ignoreTrailingSlash: true },
    bodyLimit: 8 * 1024 * 1024,
    forceCloseConnections: true,
  })
  const sessions = new Sessions(base)
  const site: StandInSite = {
    app,
    sessions,
    requests: [],
    listen: (port) => app.listen({ port, host: '127.0.0.1' }).then((address) => `${address}${base}`),
    close: () => app.close(),
  }
  void app.register(cookie)
  void app.register(formbody)
  void app.register(multipart, { limits: { fileSize: largestFile } })
  app.addHook('onRequest', async (request, reply) => {
    site.requests.push(`${request.method} ${request.url}`)
    return before?.(request, reply)
  })
  if (version !== VERSION)
    app.addHook('onSend', async (_request, _reply, payload) =>
      typeof payload === 'string' ? inVersion(payload, version) : payload,
    )
  app.addHook('onSend', async (request, _reply, payload) =>
    site.tamper && typeof payload === 'string' ? site.tamper(request.url, payload) : payload,
  )
  void app.register(async (inner) => {
    routes(inner, sessions)
  })
  return site
}
