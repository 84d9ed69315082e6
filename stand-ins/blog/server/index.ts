import cookie from '@fastify/cookie'
import formbody from '@fastify/formbody'
import multipart from '@fastify/multipart'
import fastify, { type FastifyInstance } from 'fastify'
import { dashboard } from './dashboard/index.js'
import { firstRunForm } from './first-run.js'
import { front } from './front.js'
import { emptyBlog, type Blog } from './model.js'
import { publicPages } from './public/index.js'
import { Sessions } from './sessions.js'
import { inUse, setUp } from './ships.js'

export interface StandInOptions {
  standing: 'placeholder' | 'first-run' | 'fresh' | 'in-use'
  /** The folder it lives in, with a slash at both ends. */
  base?: string
  /** The owner of one that is set up already. */
  owner?: { username: string; password: string }
  /** A password in front of everything (HTTP Basic). */
  door?: { username: string; password: string }
  /** The port of the mail server that it sends through; without one, it never asks by mail. */
  mail?: number
  /** The largest file it takes, in bytes. */
  largestFile?: number
}

/** A stand-in blog that is running, with everything in reach that a test may want to change behind its back. */
export interface StandInBlog {
  app: FastifyInstance
  blog: Blog
  sessions: Sessions
  /** Requests that came in, as `GET /place`. */
  requests: string[]
  /** Whether answers are changed on their way out; for tests. */
  tamper?: (url: string, html: string) => string
  /** Takes the host's page away, so that the first-run form appears. */
  install(): void
  listen(port: number): Promise<string>
  close(): Promise<void>
}

/**
 * Makes a stand-in blog: HTML only, in memory only, like real ones in how it is driven.
 * @example const blog = standInBlog({ standing: 'first-run' }); await blog.listen(4101)
 */
export function standInBlog({
  standing,
  base = '/',
  owner = { username: 'boss', password: 'harbour-light-41' },
  door,
  mail,
  largestFile = 8 * 1024 * 1024,
}: StandInOptions): StandInBlog {
  const blog = emptyBlog(standing === 'placeholder' || standing === 'first-run' ? standing : 'set up')
  if (standing === 'fresh' || standing === 'in-use') {
    setUp(blog, { ...owner, email: 'boss@harbour.example', title: 'My blog', language: 'en', searchEngines: true })
    if (standing === 'in-use') inUse(blog)
  }
  const app = fastify({
    routerOptions: { ignoreTrailingSlash: true },
    bodyLimit: 8 * 1024 * 1024,
    forceCloseConnections: true,
  })
  const sessions = new Sessions(base)
  const standIn: StandInBlog = {
    app,
    blog,
    sessions,
    requests: [],
    install: () => (blog.standing = 'first-run'),
    listen: (port) => app.listen({ port, host: '127.0.0.1' }).then((address) => `${address}${base}`),
    close: () => app.close(),
  }
  void app.register(cookie)
  void app.register(formbody)
  void app.register(multipart, { limits: { fileSize: largestFile } })
  app.addHook('onRequest', async (request, reply) => {
    standIn.requests.push(`${request.method} ${request.url}`)
    return front(request, reply, blog, base, door)
  })
  app.addHook('onSend', async (request, _reply, payload) =>
    standIn.tamper && typeof payload === 'string' ? standIn.tamper(request.url, payload) : payload,
  )
  void app.register(async (inner) => {
    firstRunForm(inner, blog, base)
    dashboard(inner, blog, sessions, base, mail)
    publicPages(inner, blog, base)
  })
  return standIn
}
