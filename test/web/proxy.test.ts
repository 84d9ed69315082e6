import assert from 'node:assert/strict'
import { createServer } from 'node:http'
import { connect, type AddressInfo } from 'node:net'
import { after, test } from 'node:test'
import { survey } from 'unpack'
import { serve } from '../help/pages.js'

/** A proxy that knows one name, and where that leads. */
async function proxy(port: number): Promise<{ address: string; asked: string[] }> {
  const asked: string[] = []
  const server = createServer((_request, response) => response.writeHead(400).end())
  server.on('connect', (request, socket) => {
    asked.push(request.url ?? '')
    const inner = connect(port, '127.0.0.1', () => {
      socket.write('HTTP/1.1 200 OK\r\n\r\n')
      inner.pipe(socket)
      socket.pipe(inner)
    })
    for (const end of [inner, socket]) end.on('error', () => inner.destroy())
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  after(
    () =>
      new Promise((resolve) => {
        server.closeAllConnections()
        server.close(resolve)
      }),
  )
  return { address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`, asked }
}

/** The environment as a test wants it, and as it was afterwards. */
async function withEnvironment<T>(wanted: Record<string, string>, run: () => Promise<T>): Promise<T> {
  const names = ['HTTP_PROXY', 'http_proxy', 'HTTPS_PROXY', 'https_proxy', 'NO_PROXY', 'no_proxy']
  const before = Object.fromEntries(names.map((name) => [name, process.env[name]]))
  for (const name of names) Reflect.deleteProperty(process.env, name)
  Object.assign(process.env, wanted)
  try {
    return await run()
  } finally {
    for (const name of names)
      if (before[name] === undefined) Reflect.deleteProperty(process.env, name)
      else process.env[name] = before[name]
  }
}

test('a proxy that the environment names is gone through, and one host can be left out', async () => {
  const site = await serve({ '/': '<p>A page of the quay, short and alone.</p>' })
  const way = await proxy(site.port)
  const there = `http://quay.example:${site.port}/`
  const seen = await withEnvironment({ HTTP_PROXY: way.address }, () => survey(there))
  assert.equal(seen.standing, 'unknown')
  assert.ok(way.asked.includes(`quay.example:${site.port}`))
  way.asked.length = 0
  const direct = await withEnvironment({ HTTP_PROXY: way.address, NO_PROXY: '127.0.0.1' }, () => survey(site.address))
  assert.deepEqual([direct.standing, way.asked], ['unknown', []])
})

test('a proxy that is not there is told as one that can’t be reached', async () => {
  const seen = await withEnvironment({ HTTP_PROXY: 'http://127.0.0.1:1' }, () => survey('http://quay.example/'))
  assert.equal(seen.standing, 'nothing')
})
