import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { after } from 'node:test'

/** What a place answers: HTML, or a status, headers and a body. */
export type Reply = string | { status?: number; headers?: Record<string, string>; body?: string }
export type Handler = (request: IncomingMessage, response: ServerResponse) => void

/** A bare web server with these places; every other is 404. */
export async function serve(
  places: Record<string, Reply> | Handler,
): Promise<{ address: string; port: number; server: Server; seen: string[] }> {
  const seen: string[] = []
  const server = createServer((request, response) => {
    seen.push(`${request.method} ${request.url}`)
    if (typeof places === 'function') {
      places(request, response)
      return
    }
    const reply = places[request.url ?? '/']
    if (reply === undefined) {
      response.writeHead(404, { 'content-type': 'text/html' }).end('<h1>404</h1>')
      return
    }
    const { status = 200, headers = {}, body = '' } = typeof reply === 'string' ? { body: reply } : reply
    response.writeHead(status, { 'content-type': 'text/html; charset=utf-8', ...headers }).end(body)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  after(
    () =>
      new Promise((resolve) => {
        server.closeAllConnections()
        server.close(resolve)
      }),
  )
  const { port } = server.address() as AddressInfo
  return { address: `http://127.0.0.1:${port}/`, port, server, seen }
}
