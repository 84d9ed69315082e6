import assert from 'node:assert/strict'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { basename, dirname, join, relative, resolve } from 'node:path'
import { test } from 'node:test'
import ts from 'typescript'
import { conformanceCases } from 'unpack/conformance'
import { areaNames } from '../../src/core/areas/index.js'
import { abilitiesOf, builtIn } from '../../src/systems/index.js'
import { planned } from '../help/plan.js'
import { root } from '../help/root.js'

const files = (folder: string): string[] =>
  readdirSync(join(root, folder)).flatMap((name) => {
    const path = join(folder, name)
    return statSync(join(root, path)).isDirectory()
      ? files(path)
      : /\.ts$/.test(name) && !name.endsWith('.d.ts')
        ? [path]
        : []
  })
interface Import {
  from: string
  what: string
  typeOnly: boolean
}
const importsOf = (file: string): Import[] =>
  [
    ...readFileSync(join(root, file), 'utf8').matchAll(/^(?:import|export)\s+(type\s+)?[^'"\n]*?from\s+'([^']+)'/gm),
  ].map(([, type, what = '']) => ({ from: file, what, typeOnly: type !== undefined }))
const target = ({ from, what }: Import): string =>
  what.startsWith('.') ? relative(root, resolve(root, dirname(from), what.replace(/\.js$/, '.ts'))) : what

/** Everything that a file pulls in when it is run, types apart. */
function reached(file: string, seen = new Set<string>()): Set<string> {
  for (const one of importsOf(file)) {
    if (one.typeOnly) continue
    const at = target(one)
    if (seen.has(at)) continue
    seen.add(at)
    if (at.endsWith('.ts')) reached(at, seen)
  }
  return seen
}

test('core asks for nothing: no Node, no network, no other room', () => {
  const pure = new Set([
    'zod',
    'compare-versions',
    'dequal',
    'diff',
    'yaml',
    'csv-parse/browser/esm/sync',
    'htmlparser2',
    'entities',
    'micromark',
    'micromark-extension-gfm-table',
    'fastest-levenshtein',
    '@noble/hashes/sha2.js',
    '@noble/hashes/utils.js',
  ])
  for (const file of files('src/core'))
    for (const one of importsOf(file))
      assert.ok(pure.has(one.what) || target(one).startsWith('src/core/'), `${file} → ${one.what}`)
})

test('abilities are to be had without the network half of anything: what `unpack/systems` reaches', () => {
  for (const at of reached('src/systems/index.ts'))
    assert.doesNotMatch(at, /^(?:undici|node:|tough-cookie|src\/engine|src\/logins)/, at)
  const [blog] = builtIn
  assert.ok(blog)
  const can = abilitiesOf(blog, planned('http://127.0.0.1/'), {})
  assert.equal(can('site', 'title'), 'can')
  assert.equal(can('members', 'open'), 'none')
  assert.equal(typeof can('members', 'email'), 'object')
})

test('looks know no system, and need no network of their own', () => {
  for (const file of files('src/looks')) {
    for (const one of importsOf(file))
      assert.match(target(one), /^src\/(?:core|web|looks)\/|^(?:cheerio|saxes)$/, `${file} → ${one.what}`)
    for (const at of reached(file)) assert.doesNotMatch(at, /^(?:undici|node:|tough-cookie)/, `${file} reaches ${at}`)
  }
})

test('systems decide nothing and need no network: can, ships and translate run without one', () => {
  for (const file of files('src/systems')) {
    for (const one of importsOf(file))
      assert.doesNotMatch(target(one), /^src\/(?:engine|cli|logins|conformance)\//, `${file} → ${one.what}`)
    for (const at of reached(file)) assert.doesNotMatch(at, /^(?:undici|node:|tough-cookie)/, `${file} reaches ${at}`)
  }
})

test('the engine never knows a system', () => {
  for (const file of files('src/engine'))
    for (const one of importsOf(file))
      assert.doesNotMatch(
        target(one),
        /^src\/(?:systems\/[^/]+\/|cli\/|conformance\/)|^stand-ins\//,
        `${file} → ${one.what}`,
      )
})

test('the engine names no area but owner, site and address: neither whole nor as a part of a name, in code or text', () => {
  const ours = new Set(['owner', 'site', 'address'])
  const one = (name: string) => name.replace(/ies$/, 'y').replace(/s$/, '')
  const named = new Set(
    areaNames.filter((name) => !ours.has(name)).flatMap((name) => [name, one(name)].map((word) => word.toLowerCase())),
  )
  // everyday words of the engine's own that sound alike
  const everyday = new Set(
    'inOrder signIn mail answerMail page keepPage keepingPages pageFacts innerPages link links isGroup group update opening event events RunEvent'.split(
      ' ',
    ),
  )
  const alone: Readonly<Record<string, string>> = { 'look-closely.ts': 'pages', 'record.ts': 'pages' }
  for (const file of files('src/engine')) {
    const told = (text: string) => {
      if (everyday.has(text) || alone[basename(file)] === text) return
      const parts = text.split(/[^A-Za-z]+/).flatMap((word) => [word, ...word.split(/(?<=[a-z])(?=[A-Z])/)])
      const area = parts.find((part) => named.has(part.toLowerCase()))
      assert.equal(area, undefined, `${file}: ${text}`)
    }
    const visit = (node: ts.Node): void => {
      if (ts.isIdentifier(node) || ts.isPrivateIdentifier(node)) told(node.text)
      // what is said to owners may use their words; what has no blank in it is a name
      else if (ts.isStringLiteral(node) && /^[\w/]+$/.test(node.text)) told(node.text)
      else if (ts.isTemplateHead(node) && /\/$/.test(node.text)) told(node.text)
      ts.forEachChild(node, visit)
    }
    visit(ts.createSourceFile(file, readFileSync(join(root, file), 'utf8'), ts.ScriptTarget.Latest, true))
  }
})

test('stand-ins: the servers share no code with src, the adapters use the public face alone', () => {
  for (const file of files('stand-ins')) {
    // the one list of what may be had of them
    if (file === 'stand-ins/index.ts') continue
    const allowed = /\/(?:server(?:\/|\.ts$)|faults\/)/.test(file)
      ? /^(?:stand-ins\/|node:|fastify$|@fastify\/|yauzl$|nodemailer$|smtp-server$)/
      : /^(?:stand-ins\/[^/]+\/adapter\/|unpack$|zod$|cheerio$)/
    for (const one of importsOf(file)) assert.match(target(one), allowed, `${file} → ${one.what}`)
  }
})

test('a case stands in the file of its area', () => {
  const stands = files('src/conformance/cases').map((file) => basename(file, '.ts'))
  const written = new Map<string, number>()
  for (const name of stands) {
    // a side of an area that is large has a file of its own: `pages-reading`
    const [area = ''] = name.split('-')
    const text = readFileSync(join(root, `src/conformance/cases/${name}.ts`), 'utf8')
    const areas = [...text.matchAll(/^ {4}area: '(\w+)',$/gm)].map(([, area]) => area)
    assert.deepEqual([...new Set(areas)], [area])
    written.set(area, (written.get(area) ?? 0) + areas.length)
  }
  for (const [name, count] of written)
    assert.equal(conformanceCases.filter(({ area }) => area === name).length, count, name)
})

test('a system’s own words stay inside its adapter', () => {
  for (const file of [
    ...files('src/core'),
    ...files('src/engine'),
    ...files('src/cli'),
    ...files('src/web'),
    ...files('src/logins'),
  ])
    assert.doesNotMatch(
      readFileSync(join(root, file), 'utf8'),
      /wordpress|misago|plone|zope|portlet|dexterity|admincp|wp-admin|nonce|permalink|plugin|widget|taxonomy/i,
      file,
    )
})
