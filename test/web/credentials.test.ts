import assert from 'node:assert/strict'
import { createServer, type IncomingMessage, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { after, test } from 'node:test'
import { NoAnswer, parseAddress, Secret, survey, Traffic, Visitor } from 'unpack'
import { connections } from '../../src/web/connections.js'
import { serve } from '../help/pages.js'

const servers: Server[] = []
after(() => {
  for (const one of servers) {
    one.closeAllConnections()
    one.close()
  }
})

/** A server that notes what reaches it. */
async function noting(
  host = '127.0.0.1',
  answer: (request: IncomingMessage) => { status?: number; location?: string; cookie?: string } = () => ({}),
) {
  const seen: { url: string; authorization?: string; cookie?: string; token?: string }[] = []
  const server = createServer((request, response) => {
    const { authorization, cookie } = request.headers
    seen.push({
      url: request.url ?? '',
      authorization,
      cookie,
      token: request.headers['x-token'] as string | undefined,
    })
    const { status = 200, location, cookie: set } = answer(request)
    response.writeHead(status, {
      'content-type': 'text/html',
      ...(location && { location }),
      ...(set && { 'set-cookie': set }),
    })
    response.end('<html><body>Hi</body></html>')
  })
  server.on('connect', (_request, socket) => socket.end('HTTP/1.1 502 No way\r\n\r\n'))
  await new Promise<void>((resolve) => server.listen(0, host, resolve))
  servers.push(server)
  return { seen, address: `http://${host}:${(server.address() as AddressInfo).port}/` }
}
const door = { username: 'gate', password: new Secret('a-door-of-ones-own') }

test('what opens the door, cookies and tokens go to the site’s own origin and base folder, and nowhere else', async () => {
  const elsewhere = await noting('127.0.0.2')
  const site = await noting('127.0.0.1', ({ url = '' }) =>
    url === '/blog/away'
      ? { status: 302, location: elsewhere.address }
      : url === '/blog/up'
        ? { status: 302, location: '/' }
        : { cookie: 'a=1; Path=/' },
  )
  const address = parseAddress(`${site.address}blog/`)
  assert.ok(address)
  const visitor = new Visitor(address, connections(), new Traffic(), { door, roams: true })
  const headers = { 'x-token': 'once' }
  await visitor.get('/', { headers })
  await visitor.get('/', { headers })
  assert.deepEqual(
    [site.seen[1]?.cookie, site.seen[1]?.token, site.seen[1]?.authorization?.slice(0, 5)],
    ['a=1', 'once', 'Basic'],
  )
  await visitor.get('away', { headers })
  assert.deepEqual(elsewhere.seen, [{ url: '/', authorization: undefined, cookie: undefined, token: undefined }])
  await visitor.get('up', { headers })
  assert.deepEqual(site.seen.at(-1), { url: '/', authorization: undefined, cookie: undefined, token: undefined })
  // the first request is checked like every other, whoever names the place
  for (const place of [elsewhere.address, `//${new URL(elsewhere.address).host}/`])
    await visitor
      .get(place, { headers })
      .catch((error: unknown) => assert.equal((error as { code?: string }).code, 'left-the-site'))
  assert.equal(elsewhere.seen.length, 1)
  for (const place of ['http://[bad', 'javascript:alert(1)', 'file:///etc/passwd'])
    await assert.rejects(visitor.get(place), { code: 'link-broken' }, place)
  const settled = new Visitor(address, connections(), new Traffic(), { door })
  await assert.rejects(settled.get('away'), { code: 'left-the-site' })
  assert.equal(elsewhere.seen.length, 1)
})

test('links of a front page that lead elsewhere are not fetched, wherever its base says that they lead', async () => {
  const elsewhere = await noting('127.0.0.2')
  const site = await serve({
    '/': `<base href="${elsewhere.address}"><a href="in">in</a><a href="${elsewhere.address}x">x</a>`,
  })
  await survey(site.address, { door })
  assert.deepEqual(elsewhere.seen, [])
})

test('a proxy of the environment is not asked for this machine’s own addresses', async () => {
  const proxy = await noting()
  let reached = 0
  servers.at(-1)?.on('connection', () => (reached += 1))
  const site = await noting()
  process.env.HTTP_PROXY = proxy.address
  try {
    const address = parseAddress(site.address)
    assert.ok(address)
    assert.equal((await new Visitor(address, connections(), new Traffic()).get('/')).status, 200)
    assert.deepEqual([reached, site.seen.length], [0, 1])
    const far = parseAddress('http://quay.example/')
    assert.ok(far)
    await new Visitor(far, connections(), new Traffic(), { patience: 500 }).get('/').catch(() => undefined)
    assert.ok(reached > 0)
  } finally {
    delete process.env.HTTP_PROXY
  }
})

test('an answer has a time in which it has to be whole, whatever drips', async () => {
  const server = createServer((_request, response) => {
    const timer = setInterval(() => response.write('a'), 50)
    response.on('close', () => clearInterval(timer))
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  servers.push(server)
  const address = parseAddress(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`)
  assert.ok(address)
  const began = Date.now()
  await assert.rejects(
    new Visitor(address, connections(), new Traffic(), { patience: 400 }).get('/'),
    (error) => error instanceof NoAnswer && error.failure.kind === 'no time',
  )
  assert.ok(Date.now() - began < 3000)
  server.closeAllConnections()
})
