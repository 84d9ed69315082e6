import assert from 'node:assert/strict'
import { test } from 'node:test'
import { allVisible, filesNamed, mistakesIn, mistakeText, readBaseline, visible } from 'unpack'
import { notOlder } from '../../src/core/text/versions.js'
import { besideOf } from '../../src/core/baseline/files.js'
import { links } from '../../src/core/areas/links.js'
import { long } from '../help/long.js'

const head = 'unpack: 1\nsite: { address: "http://127.0.0.1:4101/" }\nowner: { username: marlow }\n'
const told = (text: string) => mistakesIn(text, {}, 'plan.yaml').map(mistakeText)

test('aliases that lead into themselves, depth and breadth without end: reported at once', long, () => {
  const cases: [string, RegExp][] = [
    [`${head}pages: &a [*a]`, /alias leads into itself/],
    [`${head}a: &a { b: { c: *a } }`, /alias leads into itself/],
    [`${head}pages: ${'['.repeat(5000)}${']'.repeat(5000)}`, /more than a plan holds/],
    [
      `${head}pages:\n${Array.from({ length: 3000 }, (_, at) => `${' '.repeat(at)}- `).join('\n')}`,
      /more than a plan holds|not YAML/,
    ],
    [head + Array.from({ length: 150_000 }, (_, at) => `k${at}: 1`).join('\n'), /more than a plan holds/],
    [head + Array.from({ length: 30_000 }, (_, at) => `k${at}: 1`).join('\n'), /not known here/],
    [`${head}pages: []\npages: []`, /stands here twice/],
  ]
  for (const [text, expected] of cases) {
    const began = Date.now()
    const lines = told(text)
    assert.match(lines.join('\n'), expected, text.slice(0, 200))
    assert.ok(Date.now() - began < 25_000, `${Date.now() - began} ms for ${text.slice(0, 120)}`)
    assert.ok(lines.length <= 250)
    assert.throws(() => readBaseline(text), { code: 'baseline-wrong' })
  }
})

test('a secret in a wrong place is quoted by nobody: not by us, not by a library’s warning', async () => {
  const warnings: string[] = []
  const note = (warning: Error) => warnings.push(String(warning))
  process.on('warning', note)
  for (const text of [
    'unpack: 1\nsite: { address: "http://127.0.0.1/" }\nowner: { username: marlow, password: {{ s3cr3t }} }',
    'unpack: 1\nsite: { address: "http://127.0.0.1/" }\nowner: { username: marlow, s3cr3t: 1 }',
    'unpack: 1\nsite: { address: "http://127.0.0.1/" }\nowner: { username: marlow, name: { s3cr3t: x } }',
    `${head}menus: { s3cr3t: [{ page: nowhere }] }`,
    `${head}menus: { s3cr3t: 1 }`,
    `${head}sidebars: { s3cr3t: [s3cr3t] }`,
    `${head}menus: { main: [{ s3cr3t: home }] }`,
  ]) {
    const lines = told(text)
    assert.ok(lines.length > 0, text)
    assert.ok(!lines.join().includes('s3cr3t'), lines.join('\n'))
  }
  await new Promise((resolve) => setTimeout(resolve, 20))
  process.off('warning', note)
  assert.deepEqual(warnings, [])
})

test('pictures and files by names that stand for nothing, or lead out', () => {
  assert.equal(besideOf('pages/a.md', '%ff.png'), 'pages/%ff.png')
  assert.equal(besideOf('pages/a.md', '%2e%2e/%2e%2e/etc/passwd.png'), undefined)
  assert.equal(besideOf('pages/a.md', 'a%2fb.png'), undefined)
  const text = `${head}pages: [{ title: A, slug: a, body: a.md }]`
  assert.deepEqual(filesNamed(text, { 'a.md': '![x](%ff.png)' }), ['a.md', '%ff.png'])
  assert.ok(mistakesIn(text, { 'a.md': '![x](%ff.png)' }).length > 0)
  assert.match(
    mistakesIn(text, { 'a.md': 'x'.repeat(5 * 1024 * 1024) })
      .map(mistakeText)
      .join(),
    /too long/,
  )
})

test('a version before a release is older than it', () => {
  assert.ok(notOlder('1.0', '1.0-rc1') && !notOlder('1.0-rc1', '1.0'))
  assert.ok(notOlder('1.10', '1.9') && !notOlder('1.9', '1.10') && notOlder('2', '2.0') && notOlder('r7', 'r7'))
})

test('two links whose addresses read alike are two', () => {
  const refs = [
    'https://a.example/x-y',
    'https://a.example/x/y',
    'http://a.example/x-y',
    'https://www.a.example/x-y',
    'https://a.example/x-y/',
  ].map((link) => links.ref({ title: 'A', link }))
  assert.equal(new Set(refs).size, refs.length)
})

test('signs that act are shown as signs', () => {
  assert.equal(visible('a\u001b[2Jb\u009bc\u202ed\ne\u007f'), 'a␛[2Jb‹U+009B›c‹U+202E›d↵e␡')
  const plain = { a: ['tide'], b: { c: 1 } }
  assert.equal(allVisible(plain), plain)
  assert.deepEqual(allVisible({ a: ['x\u0007'] }), { a: ['x␇'] })
})
