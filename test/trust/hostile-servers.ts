import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo, Socket } from 'node:net'

/** What a hostile server answers; `raw` writes to the line itself. */
export interface Hostile {
  name: string
  answer(request: IncomingMessage, response: ServerResponse, elsewhere: string): void
}

const send =
  (body: string | Buffer, headers: { [name: string]: string | string[] } = {}, status = 200) =>
  (_request: IncomingMessage, response: ServerResponse): void => {
    response.writeHead(status, { 'content-type': 'text/html; charset=utf-8', ...headers })
    response.end(body)
  }
const raw = (bytes: string) => (request: IncomingMessage, _response: ServerResponse) => {
  request.socket.write(bytes)
  request.socket.end()
}
const forever =
  (first: string, again: string, every: number) => (request: IncomingMessage, _response: ServerResponse) => {
    const { socket } = request
    socket.write(first)
    const timer = setInterval(() => {
      if (socket.destroyed) clearInterval(timer)
      else socket.write(again)
    }, every)
    socket.on('error', () => clearInterval(timer))
  }
const endless = (head: string, piece: string) => (request: IncomingMessage, _response: ServerResponse) => {
  const { socket } = request
  socket.write(head)
  const more = (to: Socket) => {
    while (!to.destroyed && to.write(piece));
    if (!to.destroyed) to.once('drain', () => more(to))
  }
  socket.on('error', () => undefined)
  more(socket)
}
const page = (body: string, head = ''): string =>
  `<!doctype html><html><head><title>A page</title>${head}</head><body>${body}</body></html>`
const redirect = (to: string, status = 302) => send('', { location: to }, status)
const HEAD = 'HTTP/1.1 200 OK\r\ncontent-type: text/html\r\n'
const generator = (name: string) => `<meta name="generator" content="${name}">`
const many = (times: number, text: string): string => text.repeat(times)

/** Servers that no honest host runs. */
export const hostile: readonly Hostile[] = [
  { name: 'headers that drip', answer: forever('HTTP/1.1 200 OK\r\n', 'x-more: yes\r\n', 200) },
  { name: 'a body that drips', answer: forever(`${HEAD}content-length: 100000\r\n\r\n`, 'a', 200) },
  { name: '103 for ever', answer: forever('', 'HTTP/1.1 103 Early Hints\r\nlink: </a.css>; rel=preload\r\n\r\n', 50) },
  { name: '100 for ever', answer: forever('', 'HTTP/1.1 100 Continue\r\n\r\n', 50) },
  { name: 'a body without end', answer: endless(`${HEAD}\r\n`, many(1000, '<p>more</p>')) },
  {
    name: 'chunks without end',
    answer: endless(`${HEAD}transfer-encoding: chunked\r\n\r\n`, `400\r\n${many(1024, 'a')}\r\n`),
  },
  { name: 'headers without end', answer: endless('HTTP/1.1 200 OK\r\n', `x-a: ${many(500, 'b')}\r\n`) },
  { name: 'says nothing', answer: () => undefined },
  { name: 'closes at once', answer: (request) => request.socket.destroy() },
  { name: 'closes half-way', answer: raw(`${HEAD}content-length: 5000\r\n\r\n<html>`) },
  { name: 'no HTTP', answer: raw('SSH-2.0-OpenSSH_9.2\r\n') },
  { name: 'a status that is none', answer: raw('HTTP/1.1 999 Odd\r\ncontent-length: 0\r\n\r\n') },
  {
    name: 'a length that lies',
    answer: raw(`${HEAD}content-length: 2\r\n\r\n<html><body>more than two</body></html>`),
  },
  { name: 'two lengths', answer: raw(`${HEAD}content-length: 2\r\ncontent-length: 5\r\n\r\nab`) },
  { name: 'chunks that are none', answer: raw(`${HEAD}transfer-encoding: chunked\r\n\r\nzz\r\nnot hex\r\n`) },
  { name: 'a header with NUL', answer: raw('HTTP/1.1 200 OK\r\nx-a: a\0b\r\ncontent-length: 0\r\n\r\n') },
  { name: '204 without a word', answer: send('', {}, 204) },
  { name: '304 to nobody', answer: send('', {}, 304) },
  { name: '416', answer: send('no', {}, 416) },
  { name: 'deep HTML', answer: send(page(many(5000, '<div>'))) },
  { name: 'very deep HTML', answer: send(page(many(200_000, '<b><i>'))) },
  {
    name: 'fonts in fonts',
    answer: send(page(Array.from({ length: 3000 }, (_, n) => `<font color="${n}">`).join('') + many(3000, '<p>'))),
  },
  { name: 'very wide HTML', answer: send(page(many(300_000, '<p>a</p>'))) },
  { name: '8 MB of /a/a', answer: send(page(many(4 * 1024 * 1024, '/a'))) },
  { name: '8 MB in one line', answer: send(page(many(8 * 1024 * 1024, 'x'))) },
  {
    name: '100,000 links',
    answer: send(page(Array.from({ length: 100_000 }, (_, n) => `<a href="/${n}">${n}</a>`).join(''))),
  },
  {
    name: 'a link that is none',
    answer: send(
      page('<a href="http://[bad">x</a><img src="http://[bad"><form action="http://[bad" id="enter"></form>'),
    ),
  },
  {
    name: 'links to files',
    answer: send(
      page('<a href="file:///etc/passwd">x</a><a href="javascript:alert(1)">y</a><a href="data:text/html,a">z</a>'),
    ),
  },
  { name: 'a link with %ff', answer: send(page('<a href="/%ff/">x</a>')) },
  {
    name: 'a list of files with %ff',
    answer: send(
      '<html><head><title>Index of /</title></head><body><h1>Index of /</h1><a href="%ff">%ff</a></body></html>',
    ),
  },
  { name: 'a base elsewhere', answer: (q, r, e) => send(page('<a href="in">in</a>', `<base href="${e}">`))(q, r) },
  {
    name: 'a refresh elsewhere',
    answer: (q, r, e) => send(page('', `<meta http-equiv="refresh" content="0; url=${e}">`))(q, r),
  },
  { name: 'links elsewhere', answer: (q, r, e) => send(page(`<a href="${e}">x</a><img src="${e}a.png">`))(q, r) },
  { name: 'a redirect elsewhere', answer: (q, r, e) => redirect(e)(q, r) },
  { name: 'a redirect elsewhere that keeps the method', answer: (q, r, e) => redirect(e, 307)(q, r) },
  { name: 'a redirect without end', answer: (q, r) => redirect(`${q.url ?? ''}x`)(q, r) },
  { name: 'a redirect to itself', answer: redirect('/') },
  { name: 'a redirect to nowhere', answer: redirect('http://[bad') },
  { name: 'a redirect to a file', answer: redirect('file:///etc/passwd') },
  {
    name: 'a redirect to %ff',
    answer: (q, r) =>
      (q.url === '/%ff/'
        ? send('<html><head><title>Index of /%ff/</title></head><body><h1>Index of /%ff/</h1></body></html>')
        : redirect('/%ff/'))(q, r),
  },
  { name: 'a redirect without an address', answer: send('', {}, 302) },
  { name: 'no text at all', answer: send(Buffer.from(Array.from({ length: 5000 }, (_, n) => (n * 37) % 256))) },
  { name: 'NUL all over', answer: send(many(100_000, '\0')) },
  { name: 'UTF-16', answer: send(Buffer.from(page('Hello'), 'utf16le')) },
  { name: 'a program', answer: send('MZ\x90\0', { 'content-type': 'application/octet-stream' }) },
  {
    name: 'a thousand cookies',
    answer: send(page('Hi'), {
      'set-cookie': Array.from({ length: 150 }, (_, n) => `c${n}=${many(50, 'v')}; Domain=example; Path=/`),
    }),
  },
  {
    name: 'a door that never opens',
    answer: send('no', { 'www-authenticate': 'Basic realm="x", Digest nonce="y", NTLM' }, 401),
  },
  { name: 'a proxy that asks', answer: send('no', { 'proxy-authenticate': 'Basic' }, 407) },
  { name: 'too many requests, for ever', answer: send('slow', { 'retry-after': '1' }, 429) },
  { name: 'too many requests, for a year', answer: send('slow', { 'retry-after': '31536000' }, 429) },
  {
    name: 'too many requests, since 1970',
    answer: send('slow', { 'retry-after': 'Thu, 01 Jan 1970 00:00:00 GMT' }, 429),
  },
  {
    name: 'JSON for pages',
    answer: send(many(20_000, '[') + many(20_000, ']'), { 'content-type': 'application/json' }),
  },
  {
    name: 'a blog that lies',
    answer: send(page('', `${generator('WordPress 6.1.1')}<link rel="https://api.w.org/" href="/wp-json/">`)),
  },
  {
    name: 'a first run that lies',
    answer: (q, r) =>
      ((q.url ?? '').includes('install.php')
        ? send(page('<form id="setup"></form>', generator('WordPress 6.1.1')))
        : redirect('/wp-admin/install.php'))(q, r),
  },
  {
    name: 'a forum that lies',
    answer: send(
      page(
        '<div id="misago-container"></div><script>misago.init({"CATEGORIES": [], "SETTINGS": {}, "user": {}})</script>',
      ),
    ),
  },
  {
    name: 'a forum of deep JSON',
    answer: send(
      page(`<div id="misago-container"></div><script>misago.init(${many(50_000, '[')}${many(50_000, ']')})</script>`),
    ),
  },
  { name: 'a stand-in that lies', answer: send(page('<form id="enter"></form>', generator('Stand-in blog 1.0'))) },
  {
    name: 'a stand-in that takes every login',
    answer: (q, r) =>
      (q.method === 'POST'
        ? send('', { location: '/office' }, 303)
        : send(page('<main data-screen="start"></main>', generator('Stand-in blog 1.0'))))(q, r),
  },
  {
    name: 'a stand-in forum that takes every login',
    answer: (q, r) =>
      (q.method === 'POST'
        ? send('', { location: '/office' }, 303)
        : send(page('<main></main>', generator('Stand-in forum 1.0'))))(q, r),
  },
  {
    name: 'lists without end',
    answer: (q, r) =>
      ((q.url ?? '').includes('rest_route')
        ? send('[]', {
            'content-type': 'application/json',
            'x-wp-total': '10000000000',
            'x-wp-totalpages': '100000000',
          })
        : q.method === 'POST'
          ? send('', { location: '/wp-admin/' }, 302)
          : (q.url ?? '').includes('rest-nonce')
            ? send('0123456789')
            : send(page('', `${generator('WordPress 6.1.1')}<link rel="https://api.w.org/" href="/">`)))(q, r),
  },
  {
    name: 'signs that move a terminal',
    answer: send(page('\u001b[2J\u001b[31mred\u202egnp.exe', generator('\u001b]0;title\u0007'))),
  },
]

/** Starts one; what reaches `elsewhere` is a stranger's to see. */
export async function serveHostile(one: Hostile, elsewhere: string): Promise<{ address: string; close(): void }> {
  const sockets = new Set<Socket>()
  const server = createServer((request, response) => {
    request.resume()
    response.on('error', () => undefined)
    one.answer(request, response, elsewhere)
  })
  server.on('connection', (socket) => {
    sockets.add(socket)
    socket.on('error', () => undefined)
    socket.on('close', () => sockets.delete(socket))
  })
  server.on('clientError', (_error, socket) => socket.destroy())
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`,
    close: () => {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
}
