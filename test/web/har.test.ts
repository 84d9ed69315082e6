import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Secret, Traffic, type Outgoing } from 'unpack'
import { Guard } from '../../src/logins/guard.js'
import { HarLog } from '../../src/web/har.js'

const SECRET = 'p"ss wörd & more/41'
interface Har {
  log: {
    version: string
    creator: { name: string; version: string }
    entries: {
      startedDateTime: string
      time: number
      request: {
        method: string
        url: string
        cookies: unknown[]
        headers: { name: string; value: string }[]
        queryString: { name: string; value: string }[]
        postData?: { mimeType: string; text: string }
      }
      response: {
        status: number
        headers: { name: string }[]
        content: { size: number; mimeType: string }
        redirectURL: string
      }
    }[]
  }
}

const guard = new Guard()
guard.add(new Secret(SECRET))

/** One request with its answer, as the log tells it. */
function logged(request: Partial<Outgoing>, answer: { headers?: Record<string, string>; text?: string } = {}) {
  const traffic = new Traffic()
  const done = traffic.begin({ method: 'POST', url: 'http://a.example/x', purpose: 'write', headers: {}, ...request })
  done(200, answer.headers ?? {}, answer.text ?? '')
  let text = ''
  const har = new HarLog(traffic.began, guard, '1.0', (piece) => (text += piece))
  traffic.take((exchange) => {
    har.add(exchange)
  })
  har.end()
  const { log } = JSON.parse(text) as Har
  const [entry] = log.entries
  assert.ok(entry)
  return { text, log, entry }
}

test('a log of HAR 1.2, with every field that it must have', () => {
  const { log, entry } = logged(
    { url: 'http://a.example/x?page=2&key=abc' },
    { headers: { 'content-type': 'text/html' }, text: 'four' },
  )
  assert.deepEqual([log.version, log.creator], ['1.2', { name: 'Unpack', version: '1.0' }])
  assert.ok(!Number.isNaN(Date.parse(entry.startedDateTime)) && entry.time >= 0)
  assert.deepEqual(
    [entry.request.method, entry.request.url, entry.request.cookies],
    ['POST', 'http://a.example/x?page=2&key=••••••••', []],
  )
  assert.deepEqual(
    entry.request.queryString.map(({ name }) => name),
    ['page', 'key'],
  )
  assert.deepEqual([entry.response.status, entry.response.content], [200, { size: 4, mimeType: 'text/html' }])
})

test('headers by an allow-list: nothing that opens anything', () => {
  const { text, entry } = logged(
    { headers: { cookie: 'session=abc', authorization: 'Basic abc', 'x-token': 'abc', accept: 'text/html' } },
    { headers: { 'set-cookie': 'session=abc', 'content-type': 'text/html', 'x-whatever': 'abc' } },
  )
  assert.deepEqual(
    [entry.request.headers.map(({ name }) => name), entry.response.headers.map(({ name }) => name)],
    [['accept'], ['content-type']],
  )
  assert.ok(!text.includes('abc'))
})

const form = { 'content-type': 'application/x-www-form-urlencoded' }
test('forms by their fields, without passwords, tokens and keys; a log-in without any value', () => {
  const body = new URLSearchParams({
    title: 'A title',
    password: SECRET,
    token: 'abc',
    user_pass: 'x',
    pass1: 'y',
  }).toString()
  assert.equal(
    logged({ headers: form, body }).entry.request.postData?.text,
    'title=A title\npassword=••••••••\ntoken=••••••••\nuser_pass=••••••••\npass1=••••••••',
  )
  const logIn = logged({ headers: form, purpose: 'log-in', body: 'name=marlow&word=x' })
  assert.equal(logIn.entry.request.postData?.text, 'name=••••••••\nword=••••••••')
})

test('JSON likewise, at any depth; what is long is cut; of files, their size', () => {
  const json = { 'content-type': 'application/json' }
  const body = JSON.stringify({ requests: [{ body: { title: 'T', password: SECRET, content: 'x'.repeat(500) } }] })
  const { entry, text } = logged({ headers: json, body })
  const kept = JSON.parse(entry.request.postData?.text ?? '') as { requests: { body: Record<string, string> }[] }
  const inner = kept.requests[0]?.body
  assert.deepEqual([inner?.title, inner?.password], ['T', '••••••••'])
  assert.match(inner?.content ?? '', /^x{200}… \(500\)$/)
  assert.ok(text.length < 3000)
  assert.equal(logged({ bytes: 1234 }).entry.request.postData?.text, '(a file of 1234 bytes)')
})

test('a secret of the run is nowhere, whatever the field is called and however it is written', () => {
  for (const [headers, body] of [
    [form, new URLSearchParams({ remark: `it is ${SECRET}!` }).toString()],
    [{ 'content-type': 'application/json' }, JSON.stringify({ remark: SECRET })],
  ] as const) {
    const { text } = logged({ headers, body, url: `http://a.example/?said=${encodeURIComponent(SECRET)}` })
    for (const form_ of [SECRET, encodeURIComponent(SECRET), JSON.stringify(SECRET).slice(1, -1), 'wörd'])
      assert.ok(!text.includes(form_), form_)
  }
})

test('an answer that leads elsewhere is kept without its keys', () => {
  const { entry } = logged({}, { headers: { location: 'http://a.example/reset?key=abc&user=odo' } })
  assert.equal(entry.response.redirectURL, 'http://a.example/reset?key=••••••••&user=odo')
})
