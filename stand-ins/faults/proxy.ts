import { createServer, request, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import type { Fault, FaultKind } from './fault.js'

/** A request that came by. */
export interface Passed {
  number: number
  method: string
  url: string
  /** The fault that befell it. */
  is?: FaultKind
}

/** What stands in front of a site and troubles it; a site behind it is found at its own host name and another port. */
export interface TroubledSite {
  port: number
  passed: Passed[]
  /** Faults from now on; requests are counted anew. */
  trouble(faults: readonly Fault[]): void
  /** Shown each request before it is handed on, and when the site has answered it. */
  watch?: (number: number, when: 'before' | 'after') => void
  /** Changes a request on its way: its headers in place, and what it gives is sent as its body. */
  alter?: (asked: Passed & { headers: IncomingMessage['headers'] }, body: string) => string
  close(): Promise<void>
}

const page = (title: string, body: string): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title></head><body><main><h1>${title}</h1>${body}</main></body></html>`
const logIn = page(
  'Sign in',
  '<form method="post" action="/sign-in"><input name="user"><input type="password" name="secret"><button>Sign in</button></form>',
)
/** Milliseconds between two bytes of an answer that drips. */
const DRIP = 50

/** A fault, how often it is still to come, and what it has befallen. */
type Pending = Fault & { left: number; befell?: string }

/** Whether a fault is for this request; one at a number is for the same request again, when that comes. */
function befalls({ at, befell }: Pending, number: number, line: string): boolean {
  if (typeof at === 'string') return new RegExp(at).test(line)
  return befell === undefined ? at === number : befell === line
}

/** The text of what somebody asks or answers. */
async function bytesOf(message: IncomingMessage): Promise<Buffer> {
  const parts: Buffer[] = []
  for await (const part of message) parts.push(part as Buffer)
  return Buffer.concat(parts)
}

/**
 * Puts a server in front of a site on this machine that hands every request on, and lets faults befall some of them.
 * @param to the port of the site
 * @param port where it listens on 127.0.0.1; 0 for any
 */
export async function troubled(to: number, port = 0): Promise<TroubledSite> {
  let faults: Pending[] = []
  let count = 0
  let other: { headers: IncomingMessage['headers']; body: Buffer; status: number } | undefined
  const passed: Passed[] = []
  const server: Server = createServer((ask, reply) => {
    count += 1
    const one: Passed = { number: count, method: ask.method ?? 'GET', url: ask.url ?? '/' }
    passed.push(one)
    const line = `${one.method} ${one.url}`
    const fault = faults.find((other) => other.left > 0 && befalls(other, count, line))
    if (fault) {
      fault.left -= 1
      fault.befell = line
      one.is = fault.is
    }
    void pass(ask, reply, fault?.is, count).catch(() => reply.destroy())
  })

  /** Hands a request on to the site. */
  function onward(
    ask: IncomingMessage,
    body: Buffer,
    change: (headers: IncomingMessage['headers']) => void = () => undefined,
  ) {
    return new Promise<{ status: number; headers: IncomingMessage['headers']; body: Buffer }>((resolve, reject) => {
      const headers = { ...ask.headers, connection: 'close' }
      change(headers)
      const sent = request({ host: '127.0.0.1', port: to, method: ask.method, path: ask.url, headers }, (answer) => {
        bytesOf(answer).then(
          (whole) => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, body: whole }),
          reject,
        )
      })
      sent.on('error', reject)
      sent.end(body)
    })
  }

  const plain = (
    reply: ServerResponse,
    status: number,
    body: string,
    type = 'text/html',
    more: { [name: string]: string } = {},
  ) => {
    reply.writeHead(status, {
      'content-type': `${type}; charset=utf-8`,
      'content-length': String(Buffer.byteLength(body)),
      ...more,
    })
    reply.end(body)
  }
  const give = (
    reply: ServerResponse,
    { status, headers, body }: { status: number; headers: IncomingMessage['headers']; body: Buffer },
  ) => {
    const { 'transfer-encoding': _chunks, connection: _line, 'keep-alive': _alive, ...rest } = headers
    reply.writeHead(status, { ...rest, 'content-length': String(body.length) })
    reply.end(body)
  }

  const altered = ({ method = 'GET', url = '/', headers }: IncomingMessage, body: Buffer, number: number): Buffer => {
    if (!site.alter) return body
    const text = site.alter({ number, method, url, headers }, body.toString('latin1'))
    if (headers['content-length'] !== undefined) headers['content-length'] = String(text.length)
    return Buffer.from(text, 'latin1')
  }

  async function pass(
    ask: IncomingMessage,
    reply: ServerResponse,
    is: FaultKind | undefined,
    number: number,
  ): Promise<void> {
    const came = await bytesOf(ask)
    const body = altered(ask, came, number)
    site.watch?.(number, 'before')
    if (ask.destroyed && ask.socket.destroyed) return
    switch (is) {
      case 'refused':
      case 'reset before':
        ask.socket.destroy()
        return
      case '429 number':
        return plain(reply, 429, page('Slow down', ''), 'text/html', { 'retry-after': '1' })
      case '429 date':
        return plain(reply, 429, page('Slow down', ''), 'text/html', {
          'ratelimit-reset': new Date(Date.now() + 1000).toUTCString(),
        })
      case '500':
      case '502':
      case '503':
        return plain(reply, Number(is), page(`Error ${is}`, '<p>Try again later.</p>'))
      case 'empty':
        return plain(reply, 200, '')
      case 'other type':
        return plain(reply, 200, '%PDF-1.4 not what was asked for', 'application/pdf')
      case 'log-in page':
        return plain(reply, 200, logIn)
      case 'other screen':
        if (other) return give(reply, other)
        return plain(reply, 200, page('Start', '<p>Welcome.</p>'))
      case 'permission missing':
        return plain(reply, 403, page('Forbidden', '<p>You may not do this.</p>'))
      default:
    }
    const ending = is === 'session ended'
    const answer = await onward(ask, is === 'token refused' ? withoutToken(body) : body, (headers) => {
      if (ending) delete headers.cookie
      if (is === 'token refused')
        for (const name of ['x-wp-nonce', 'x-csrftoken']) if (headers[name]) headers[name] = 'spent'
      if (headers['content-length'] !== undefined && is === 'token refused')
        headers['content-length'] = String(withoutToken(body).length)
    })
    site.watch?.(number, 'after')
    if (is === undefined && ask.method === 'GET' && /html/.test(answer.headers['content-type'] ?? '')) other = answer
    if (is === 'reset after') ask.socket.destroy()
    else if (is === 'cut') give(reply, { ...answer, body: answer.body.subarray(0, Math.floor(answer.body.length / 2)) })
    else if (is === 'field gone') give(reply, { ...answer, body: withoutField(answer.body) })
    else if (is === 'drip') {
      const { 'transfer-encoding': _chunks, 'content-length': _length, ...rest } = answer.headers
      reply.writeHead(answer.status, rest)
      for (const byte of answer.body) {
        if (reply.destroyed) return
        reply.write(Buffer.of(byte))
        await new Promise((resolve) => setTimeout(resolve, DRIP))
      }
      reply.end()
    } else give(reply, answer)
  }

  await new Promise<void>((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', resolve)
  })
  const site: TroubledSite = {
    port: (server.address() as AddressInfo).port,
    passed,
    trouble(list) {
      faults = list.map((fault) => ({ ...fault, left: fault.times ?? 1 }))
      count = 0
      passed.length = 0
    },
    close: () =>
      new Promise((resolve) => {
        server.closeAllConnections()
        server.close(() => resolve())
      }),
  }
  return site
}

/** A form whose one-time token was spent already. */
const withoutToken = (body: Buffer): Buffer =>
  Buffer.from(
    body.toString('latin1').replace(/((?:^|&)(?:token|_wpnonce|csrfmiddlewaretoken|_ajax_nonce)=)[^&]*/g, '$1spent'),
    'latin1',
  )

/** A page that lacks the last field of its last form. */
function withoutField(body: Buffer): Buffer {
  const text = body.toString('latin1')
  const fields = [
    ...text.matchAll(/<(?:input(?![^>]*type="hidden")[^>]*>|textarea[\s\S]*?<\/textarea>|select[\s\S]*?<\/select>)/g),
  ]
  const last = fields.at(-1)
  return last ? Buffer.from(text.slice(0, last.index) + text.slice(last.index + last[0].length), 'latin1') : body
}
