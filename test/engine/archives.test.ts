import assert from 'node:assert/strict'
import { test } from 'node:test'
import { openArchive } from '../../src/archives/open.js'
import { packFolder } from '../../src/archives/pack.js'
import { addOnsIn, themesIn } from '../../src/systems/wordpress/packages.js'
import { long } from '../help/long.js'
import { zipOf } from '../help/zip.js'

const filesIn = async (bytes: Uint8Array) =>
  (await openArchive('a.zip', bytes)).flatMap(({ files }) =>
    files.map(({ path, bytes: read }) => ({ path, text: async () => new TextDecoder().decode(await read()) })),
  )

test('archives inside archives are opened, three deep and no deeper', async () => {
  let bytes = await zipOf({ 'last.txt': 'x' })
  for (const name of ['e', 'd', 'c', 'b']) bytes = await zipOf({ [`in/${name}.zip`]: bytes, 'read.me': '' })
  const places = (await openArchive('a.zip', bytes)).map(({ place }) => place)
  assert.deepEqual(places, [
    'a.zip',
    'a.zip: in/b.zip',
    'a.zip: in/b.zip: in/c.zip',
    'a.zip: in/b.zip: in/c.zip: in/d.zip',
  ])
})

test('one folder of an archive is packed by itself, the same every time', async () => {
  const [outer] = await openArchive(
    'a.zip',
    await zipOf({ 'x/harbour/a.txt': 'A', 'x/harbour/b/c.txt': 'C', 'x/other.txt': 'O' }),
  )
  assert.ok(outer)
  const [once, twice] = await Promise.all([1, 2].map(() => packFolder(outer.files, 'x/harbour', 'harbour')))
  assert.deepEqual(once, twice)
  const [packed] = await openArchive('b.zip', once ?? new Uint8Array())
  assert.deepEqual(packed?.files.map(({ path }) => path).sort(), ['harbour/a.txt', 'harbour/b/c.txt'])
  assert.equal(new TextDecoder().decode(await packed.files[0]?.bytes()), 'A')
})

test('what is no archive, or was cut off, is told as broken', async () => {
  const whole = await zipOf({ 'a.txt': 'x'.repeat(1000) })
  for (const bytes of [new Uint8Array(), new TextEncoder().encode('hello'), whole.slice(0, whole.length - 30)])
    await assert.rejects(openArchive('a.zip', bytes), { code: 'archive-broken', exit: 2 })
})

test('too many files, and names that lead out of their folder', long, async () => {
  const many = await zipOf(Object.fromEntries(Array.from({ length: 20_001 }, (_, index) => [`f/${index}`, ''])))
  await assert.rejects(openArchive('a.zip', many), { code: 'archive-too-large', exit: 2 })
})

test('themes and add-ons are known by the head of their own files', async () => {
  const bytes = await zipOf({
    'bundle/harbour/style.css': '/*\nTheme Name: Harbour\nVersion: 1.2\nTemplate: quay\n*/ body {}',
    'bundle/blocks/style.css': '/* Theme Name: Blocks */',
    'bundle/blocks/templates/index.html': '',
    'bundle/harbour/css/style.css': 'body {}',
    'tools/buoys/buoys.php':
      '<?php\n/**\n * Plugin Name: Buoys\n * Version: 2.0\n * Requires Plugins: ropes, sails\n */',
    'tools/buoys/more.php': '<?php // nothing',
    'single.php': '<?php /* Plugin Name: Single */',
  })
  const files = await filesIn(bytes)
  assert.deepEqual(
    (await themesIn(files)).map(({ folder, use, name, version, parent, blocks }) => [
      folder,
      use,
      name,
      version,
      parent,
      blocks,
    ]),
    [
      ['bundle/harbour', 'harbour', 'Harbour', '1.2', 'quay', false],
      ['bundle/blocks', 'blocks', 'Blocks', '', undefined, true],
    ],
  )
  assert.deepEqual(
    (await addOnsIn(files)).map(({ folder, use, name, version, wants }) => [folder, use, name, version, wants]),
    [
      ['tools/buoys', 'buoys', 'Buoys', '2.0', ['ropes', 'sails']],
      ['', '', 'Single', '', []],
    ],
  )
})
