import assert from 'node:assert/strict'
import { test } from 'node:test'
import { changedPairs, formOn, NoAnswer, parseAddress, Traffic, Visitor, type Answer } from 'unpack'
import { connections } from '../../src/web/connections.js'
import { serve, type Handler, type Reply } from '../help/pages.js'

async function visitor(places: Record<string, Reply> | Handler, roams = false) {
  const served = await serve(places)
  const traffic = new Traffic()
  return {
    ...served,
    traffic,
    visitor: new Visitor(parseAddress(served.address) ?? { origin: '', base: '/' }, connections(), traffic, { roams }),
  }
}

test('cookies are kept and sent back, in the order in which they were set', async () => {
  const { visitor: somebody } = await visitor((request, response) => {
    response.setHeader('set-cookie', ['a=1; Path=/', 'b=old; Path=/', 'b=; Max-Age=0; Path=/', 'b=new; Path=/'])
    response.end(request.headers.cookie ?? 'none')
  })
  assert.equal((await somebody.get('/')).text, 'none')
  assert.equal((await somebody.get('/')).text, 'a=1; b=new')
})

test('redirects are followed on the site, and never off it', async () => {
  const there = await serve({ '/': 'elsewhere' })
  const {
    visitor: somebody,
    address,
    seen,
  } = await visitor({
    '/': { status: 302, headers: { location: 'in#part' } },
    '/in': 'here',
    '/out': { status: 302, headers: { location: there.address } },
  })
  const answer = await somebody.get('/')
  assert.deepEqual([answer.text, answer.url, answer.hops.length], ['here', `${address}in`, 1])
  await assert.rejects(somebody.get('/out'), { code: 'left-the-site' })
  assert.deepEqual(there.seen, [])
  assert.equal((await somebody.get('/out', { follow: false })).status, 302)
  assert.equal(seen.length, 4)
})

test('redirects in a circle end', async () => {
  const { visitor: somebody } = await visitor({ '/': { status: 302, headers: { location: '/' } } })
  assert.equal((await somebody.get('/')).status, 302)
})

test('what a request is for: writes are counted, log-ins apart', async () => {
  const { visitor: somebody, traffic } = await visitor({ '/': 'x' })
  await somebody.get('/')
  await somebody.post('/', { a: 'b' })
  await somebody.post('/', { a: 'b' }, { purpose: 'log-in' })
  await somebody.ask('/', { method: 'DELETE' })
  // a POST that only asks
  await somebody.ask('/', { method: 'POST', json: { find: 'kelp' }, purpose: 'read' })
  assert.deepEqual([traffic.requests, traffic.writes], [5, 2])
})

test('no answer, a broken-off one and one too large are said', async () => {
  const broken = await visitor((request, response) => {
    response.writeHead(200, { 'content-length': '100' })
    response.write('half')
    setTimeout(() => request.socket.destroy(), 20)
  })
  await assert.rejects(
    broken.visitor.get('/'),
    (error: unknown) => error instanceof NoAnswer && error.failure.kind === 'broken off',
  )
  const large = await visitor((_request, response) => {
    response.end(Buffer.alloc(17 * 1024 * 1024, 32))
  })
  await assert.rejects(large.visitor.get('/'), { code: 'answer-too-large' })
})

test('reading that is broken off is asked for once more; what could change the site never is', async () => {
  let asked = 0
  const moody = await visitor((request, response) => {
    asked += 1
    if (asked % 2 === 1) request.socket.destroy()
    else response.end('there')
  })
  assert.equal((await moody.visitor.get('/')).text, 'there')
  await assert.rejects(moody.visitor.post('/', {}), (error: unknown) => error instanceof NoAnswer)
  await assert.rejects(moody.visitor.get('/enter', { purpose: 'log-in' }).then(() => moody.visitor.post('/', {})))
  assert.equal(asked, 5)
})

test('several values of one name are sent as several', () => {
  const { pairs } = formOn(
    '<form id="f"><input name="a" value="1"><input type="checkbox" name="r" value="1" checked><input type="checkbox" name="r" value="2" checked></form>',
    '#f',
  ) ?? { pairs: [] }
  assert.deepEqual(changedPairs(pairs, { r: ['2', '3'], b: '4' }), [
    ['a', '1'],
    ['r', '2'],
    ['r', '3'],
    ['b', '4'],
  ])
  assert.deepEqual(changedPairs(pairs, { r: [] }), [['a', '1']])
})

test('places are counted from the base folder', async () => {
  const { seen, address } = await serve({ '/blog/a': 'x' })
  const somebody = new Visitor({ origin: address.slice(0, -1), base: '/blog/' }, connections(), new Traffic())
  await somebody.get('/a')
  await somebody.get('a')
  assert.deepEqual(seen, ['GET /blog/a', 'GET /blog/a'])
})

test('a form is read as a browser would send it', () => {
  const form = formOn(
    `<form id="f" method="POST" action="/go"><input type="hidden" name="token" value="t&amp;1"><input name="title" value="A">
     <input type="checkbox" name="on" checked><input type="checkbox" name="off"><input type="radio" name="r" value="1"><input type="radio" name="r" value="2" checked>
     <select name="s"><option value="a">A</option><option value="b" selected>B</option></select><select name="d"><option value="x">X</option></select>
     <textarea name="body">&lt;p&gt;</textarea><input type="submit" name="go" value="1"><input type="file" name="up"><input name="no" disabled value="1"></form>`,
    '#f',
  )
  assert.deepEqual(form, {
    action: '/go',
    method: 'post',
    fields: { token: 't&1', title: 'A', on: 'on', r: '2', s: 'b', d: 'x', body: '<p>' },
    pairs: [
      ['token', 't&1'],
      ['title', 'A'],
      ['on', 'on'],
      ['r', '2'],
      ['s', 'b'],
      ['d', 'x'],
      ['body', '<p>'],
    ],
    names: ['token', 'title', 'on', 'off', 'r', 's', 'd', 'body', 'go', 'up', 'no'],
  })
  assert.equal(formOn('<p></p>', 'form'), undefined)
})

test('a reading that the server failed at is asked for once more; what could change something never is', async () => {
  const failing = (statuses: readonly number[], headers = {}) => {
    let asked = 0
    return visitor((_request, response) => {
      const status = statuses[asked++] ?? 200
      response.writeHead(status, status === 503 ? headers : {}).end('here')
    })
  }
  // when its window of requests ends is told with every answer, and says nothing of the failure
  const moment = await failing([503], { 'ratelimit-reset': '60' })
  const [began, { status, text }] = [Date.now(), await moment.visitor.get('/')]
  assert.deepEqual([status, text, moment.seen.length], [200, 'here', 2])
  assert.ok(Date.now() - began >= 900)
  const tells = await failing([500])
  const ask = { tells: ({ text: told }: Answer) => told === 'here' }
  assert.deepEqual([(await tells.visitor.get('/', ask)).status, tells.seen.length], [500, 1])
  const asks = await failing([502])
  assert.deepEqual([(await asks.visitor.query('ask', {})).status, asks.seen.length], [200, 2])
  // for longer: it is told as it is, and so is one that says itself that it will take long
  const down = await failing([503, 500, 500])
  assert.deepEqual([(await down.visitor.get('/')).status, down.seen.length], [500, 2])
  const mending = await failing([503], { 'retry-after': '30' })
  assert.deepEqual([(await mending.visitor.get('/')).status, mending.seen.length], [503, 1])
  // refused in between, and failed at then
  const both = await failing([500, 429, 500], {})
  assert.deepEqual([(await both.visitor.get('/')).status, both.seen.length], [500, 3])
  for (const method of ['POST', 'PUT', 'PATCH', 'DELETE'] as const) {
    const write = await failing([500])
    assert.deepEqual([(await write.visitor.ask('/', { method })).status, write.seen.length], [500, 1])
  }
  const locks = await failing([500])
  assert.deepEqual([(await locks.visitor.get('/', { purpose: 'write' })).status, locks.seen.length], [500, 1])
})

test('“too many requests” is waited for as the server says, three times at the most', async () => {
  let asked = 0
  const busy = await visitor((_request, response) => {
    asked += 1
    if (asked <= 2) response.writeHead(429, { 'retry-after': '0' }).end('slowly')
    else response.writeHead(200).end('now')
  })
  assert.equal((await busy.visitor.get('/')).text, 'now')
  const shut = await visitor((_request, response) => {
    response.writeHead(429, { 'retry-after': '0' }).end('slowly')
  })
  assert.deepEqual([(await shut.visitor.get('/')).status, shut.seen.length], [429, 4])
  // a whole window in one header, what is left of it in another
  let once = true
  const window = await visitor((_request, response) => {
    if (once) response.writeHead(429, { 'retry-after': '60', 'ratelimit-reset': '0' }).end('slowly')
    else response.writeHead(200).end('now')
    once = false
  })
  const began = Date.now()
  assert.equal((await window.visitor.get('/')).text, 'now')
  assert.ok(Date.now() - began < 5000)
})
