import assert from 'node:assert/strict'
import { test } from 'node:test'
import { survey, type Standing } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { freePort } from '../help/port.js'
import { folder } from '../help/folders.js'
import { serve, type Reply } from '../help/pages.js'
import { runningStandIn } from '../help/sites.js'

const root = folder()
const page = (title: string, body: string) =>
  `<!doctype html><html><head><title>${title}</title></head><body>${body}</body></html>`
const sentences = (count: number) =>
  'The kiln takes nine hours to warm and two days to cool, and nobody may open it before. '.repeat(count)

// In the manner of the pages that web servers ship, in our own words.
const bare = page(
  'It runs!',
  '<h1>It runs!</h1><p>Whoever reads this has a web server that was installed and does its work. More settings are needed.</p><p>There is a handbook at <a href="http://handbook.example/">handbook.example</a>.</p><p><em>Thanks for your trust.</em></p>',
)
const guide = page(
  'Default page',
  `<h1>It works</h1><img src="/icons/logo.png"><p>${sentences(6)}</p><p>Replace this file (at /srv/pages/html/index.html) before you go on.</p><pre>/opt/server2/\n|-- server2.conf\n|  -- ports.conf</pre><p>${sentences(6)} See /usr/share/doc/server2/README.gz and <a href="/manual">the handbook</a>.</p>`,
)

const standings: [string, Standing, Record<string, Reply>][] = [
  ['a web server’s short page', 'placeholder', { '/': bare }],
  [
    'the same, translated',
    'placeholder',
    {
      '/': page(
        'Läuft!',
        '<h1>Es läuft!</h1><p>Wer das hier liest, hat einen Webserver, der eingerichtet wurde und seinen Dienst tut. Weitere Einstellungen fehlen noch.</p><p>Ein Handbuch gibt es unter <a href="http://handbuch.example/">handbuch.example</a>.</p>',
      ),
    },
  ],
  [
    'a web server’s long page with a picture and its own paths',
    'placeholder',
    { '/': guide, '/icons/logo.png': { headers: { 'content-type': 'image/png' }, body: 'x' } },
  ],
  [
    'a parked domain',
    'placeholder',
    {
      '/': page(
        'repair.example',
        '<h1>repair.example</h1><p>This name belongs to somebody.</p><ul><li><a href="http://ads.example/1">Loans</a></li><li><a href="http://ads.example/2">Shoes</a></li><li><a href="/?go=3">More</a></li></ul>',
      ),
    },
  ],
  [
    'coming soon, with a picture of its own',
    'unknown',
    {
      '/': page(
        'Soon',
        '<img src="logo.svg"><h1>Coming soon</h1><p>Leave your address, and you will hear.</p><form><input name="mail"><button>Tell me</button></form>',
      ),
    },
  ],
  [
    'a short page of somebody’s, with pages of its own that are not there yet',
    'unknown',
    {
      '/': page(
        'Odo',
        '<h1>Odo mends clocks</h1><p>On Mondays, by the lighthouse.</p><a href="/rota">Rota</a> <a href="https://quay.example/">The quay</a>',
      ),
    },
  ],
  ['sentences that nothing marks', 'unknown', { '/': page('Odo', `<h1>Odo</h1><p>${sentences(1)}</p>`) }],
  [
    'a page headed by its own address',
    'placeholder',
    { '/': page('127.0.0.1', '<h1>127.0.0.1</h1><p>This name belongs to somebody, and is looked after by us.</p>') },
  ],
  ['a page that scripts make', 'unknown', { '/': page('Odo', '<div id="odo"></div><script src="/odo.js"></script>') }],
  [
    'somebody’s notes on servers, which name some of their files',
    'in-use',
    {
      '/': page(
        'Notes',
        `<h1>Notes</h1><p>${sentences(12)}</p><p>Look into /etc/kiln/rules and into /var/log/kiln for that.</p>`,
      ),
    },
  ],
  ['an empty answer', 'blank', { '/': '' }],
  [
    'an empty listing, in one server’s manner',
    'blank',
    {
      '/': '<html><head><title>Index of /</title></head><body><h1>Index of /</h1><hr><pre><a href="../">../</a></pre><hr></body></html>',
    },
  ],
  [
    'an empty listing, in another’s',
    'blank',
    {
      '/': '<html><head><title>Index of /</title></head><body><h1>Index of /</h1><table><tr><th><a href="?C=N;O=D">Name</a></th></tr></table><address>Server at 127.0.0.1</address></body></html>',
    },
  ],
  [
    'a listing with files',
    'unknown',
    {
      '/': '<html><head><title>Index of /</title></head><body><h1>Index of /</h1><hr><pre><a href="../">../</a>\n<a href="holiday.jpg">holiday.jpg</a>\n<a href="old/">old/</a></pre></body></html>',
    },
  ],
  ['a bare 404', 'unknown', {}],
  ['maintenance', 'unknown', { '/': { status: 503, body: page('Back soon', '<p>We are mending.</p>') } }],
  ['a blog whose database is gone', 'unknown', { '/': { status: 500, body: page('Error', '<h1>No connection</h1>') } }],
  [
    'a password in front',
    'unknown',
    { '/': { status: 401, headers: { 'www-authenticate': 'Basic realm="x"' }, body: '' } },
  ],
  [
    'three pages that say “coming soon” about a kiln',
    'in-use',
    {
      '/': page('Kiln', '<h1>Coming soon</h1><p>The new kiln.</p><a href="/kiln">Kiln</a> <a href="/visit">Visit</a>'),
      '/kiln': page('Kiln', `<p>${sentences(2)}</p>`),
      '/visit': page('Visit', `<p>${sentences(1)}</p>`),
    },
  ],
  ['a site titled Welcome', 'in-use', { '/': page('Welcome', `<h1>Welcome</h1><p>${sentences(10)}</p>`) }],
  [
    'a Japanese site',
    'in-use',
    {
      '/': page(
        '港の本屋',
        '<h1>ようこそ</h1><img src="/shop.jpg"><p>港のそばの小さな本屋です。古い海図、潮の満ち引きの本、そして子どもたちの絵本を並べています。雨の日には温かいお茶を出します。どうぞゆっくりしていってください。土曜日は朝の十時から夕方の五時まで開いています。駅から歩いて五分、灯台の向かいです。</p>',
      ),
    },
  ],
  [
    'one page with real text and a picture',
    'in-use',
    { '/': page('Odo', `<h1>Odo mends clocks</h1><img src="odo.jpg"><p>${sentences(4)}</p>`) },
  ],
]

for (const [what, standing, places] of standings) {
  test(`${what} is ${standing}`, async () => {
    const { address } = await serve(places)
    const surveyed = await survey(address)
    assert.equal(surveyed.standing, standing, surveyed.reasons.join('; '))
    assert.equal(surveyed.safe, false)
    assert.equal(surveyed.system, undefined)
    assert.ok(surveyed.reasons.length > 0 && surveyed.requests <= 12)
  })
}

test('each rule of the judge: one change, another standing', async () => {
  const places: Record<string, Reply> = { '/': bare }
  const { address } = await serve(places)
  const now = async () => (await survey(address)).standing
  assert.equal(await now(), 'placeholder')
  places['/'] = bare.replace('</body>', '<a href="/news">News</a></body>')
  assert.equal(await now(), 'unknown', 'a link to a page of its own that is not there: nobody knows whose it is')
  places['/news'] = page('News', `<p>${sentences(1)}</p>`)
  assert.equal(await now(), 'in-use', 'a page of its own behind it')
  places['/'] = bare.replace('</body>', `<p>${sentences(9)}</p></body>`)
  assert.equal(await now(), 'in-use', 'a good deal of text')
  places['/'] = bare.replace('</body>', `<p>${sentences(3)}</p></body>`)
  assert.equal(await now(), 'unknown', 'some text and no picture')
  places['/'] = bare.replace('</body>', `<p>${sentences(3)}</p><img src="/a.png"></body>`)
  assert.equal(await now(), 'in-use', 'some text and a picture')
  places['/'] = bare.replace('</body>', '<img src="/a.png"></body>')
  assert.equal(await now(), 'unknown', 'a picture of its own')
  places['/'] = bare.replaceAll('handbook.example', '127.0.0.1:9')
  assert.equal(await now(), 'placeholder', 'another port is another host')
  places['/'] = bare.replace(/<a.*?<\/a>/, 'the library')
  assert.equal(await now(), 'unknown', 'nothing marks it as a host’s')
  places['/'] = bare.replace('</body>', `<p>${sentences(9)} /srv/pages/html and /opt/server/conf</p></body>`)
  assert.equal(await now(), 'placeholder', 'it names files on the server’s disk')
  places['/'] = { headers: { 'content-type': 'application/pdf' }, body: '%PDF' }
  assert.equal(await now(), 'unknown', 'no page')
  places['/'] = { status: 403 }
  assert.equal(await now(), 'unknown', 'not let in')
})

test('nothing listens, the name is unknown, the secure connection is broken: a finding each', async () => {
  const quiet = await survey(`http://127.0.0.1:${await freePort()}/`)
  assert.deepEqual([quiet.standing, quiet.findings.failure?.kind], ['nothing', 'refused'])
  const unknown = await survey('http://nobody.invalid:8080/')
  assert.deepEqual([unknown.standing, unknown.findings.failure?.kind], ['nothing', 'name unknown'])
  const { port } = await serve({ '/': bare })
  const broken = await survey(`https://127.0.0.1:${port}/`)
  assert.deepEqual([broken.standing, broken.findings.failure?.kind], ['nothing', 'secure connection'])
})

test('http and https, with and without www: which answer and where they lead', async () => {
  const { port, seen } = await serve((request, response) => {
    if (request.headers.host === 'repair.example')
      response.writeHead(301, { location: 'http://www.repair.example/' }).end()
    else response.writeHead(200, { 'content-type': 'text/html' }).end(bare)
  })
  const resolve = (_host: string, wanted: number) => ({ host: '127.0.0.1', port: wanted === 80 ? port : 9 })
  const { findings, address, requests } = await survey('http://repair.example/', { resolve })
  assert.equal(address.origin, 'http://www.repair.example')
  assert.deepEqual(
    findings.hops.map(({ to }) => to),
    ['http://www.repair.example/'],
  )
  const says = Object.fromEntries(findings.variants.map((one) => [one.address, one.leadsTo ?? one.says]))
  assert.deepEqual(Object.keys(says).sort(), [
    'http://www.repair.example/',
    'https://repair.example/',
    'https://www.repair.example/',
  ])
  assert.equal(says['http://www.repair.example/'], 'answers (HTTP 200)')
  assert.match(says['https://repair.example/'] ?? '', /nothing listens/)
  assert.ok(requests <= 12 && seen.length <= 12)
})

test('the stand-in in each standing', async () => {
  for (const [standing, safe] of [
    ['placeholder', false],
    ['first-run', true],
    ['fresh', true],
    ['in-use', false],
  ] as const) {
    const standIn = await runningStandIn(root, { standing, base: standing === 'fresh' ? '/blog/' : '/' })
    const surveyed = await survey(standIn.address, { systems: [standInBlogSystem] })
    assert.deepEqual([surveyed.standing, surveyed.safe], [standing, safe], surveyed.reasons.join('; '))
    assert.ok(standIn.requests.length <= 12 && standIn.requests.every((line) => line.startsWith('GET')))
    await standIn.close()
  }
})

test('an address that is none is an error', async () => {
  for (const address of ['repair.example', 'ftp://repair.example/', 'http://marlow:x@repair.example/', 'http://'])
    await assert.rejects(survey(address), { code: 'address-wrong' })
})

test('a survey stops when it is told to', async () => {
  const { address } = await serve(() => undefined)
  const controller = new AbortController()
  setTimeout(() => {
    controller.abort()
  }, 50)
  await assert.rejects(survey(address, { signal: controller.signal }), { code: 'stopped' })
})
