import assert from 'node:assert/strict'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { test } from 'node:test'
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
    'yaml',
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

test('systems decide nothing and need no network: can, ships and translate run without one', () => {
  for (const file of files('src/systems')) {
    for (const one of importsOf(file))
      assert.doesNotMatch(target(one), /^src\/(?:engine|cli|logins|conformance)\//, `${file} → ${one.what}`)
    for (const at of reached(file)) assert.doesNotMatch(at, /^(?:undici|node:|tough-cookie)/, `${file} reaches ${at}`)
  }
})

test('the engine never knows a system or what a category is', () => {
  for (const file of files('src/engine')) {
    for (const one of importsOf(file))
      assert.doesNotMatch(
        target(one),
        /^src\/(?:systems\/[^/]+\/|cli\/|conformance\/)|^stand-ins\//,
        `${file} → ${one.what}`,
      )
    assert.doesNotMatch(readFileSync(join(root, file), 'utf8'), /categor/i, file)
  }
})

test('stand-ins: the servers share no code with src, the adapters use the public face alone', () => {
  for (const file of files('stand-ins')) {
    const allowed = /\/(?:server(?:\/|\.ts$)|faults\/)/.test(file)
      ? /^(?:stand-ins\/|node:|fastify$|@fastify\/|yauzl$|nodemailer$|smtp-server$)/
      : /^(?:stand-ins\/[^/]+\/adapter\/|unpack$|zod$|cheerio$)/
    for (const one of importsOf(file)) assert.match(target(one), allowed, `${file} → ${one.what}`)
  }
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
      /wordpress|misago|admincp|wp-admin|nonce|permalink|plugin|widget|taxonomy/i,
      file,
    )
})
