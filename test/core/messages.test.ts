import assert from 'node:assert/strict'
import { test } from 'node:test'
import fc from 'fast-check'
import { parse } from 'yaml'
import { mistakesIn, mistakeText } from 'unpack'
import { placesOf } from '../../src/core/baseline/schema-walk.js'
import { demoText } from '../help/demo.js'
import { watchersText } from '../help/watchers.js'

const head = 'unpack: 1\nsite: { address: "http://127.0.0.1:4101/" }\nowner: { username: marlow }\n'
/** What is said of a part of a file, without the places. */
const said = (rest: string, files = {}, start = head): string[] =>
  mistakesIn(`${start}${rest}\n`, files).map((one) => mistakeText(one).replace(/^\S+ /, ''))

test('a menu’s entry, a link without its label, keys of two forms in one', () => {
  const forms = '{ page: … }, { category: … }, or { label: …, link: … }'
  assert.deepEqual(said('menus: { main: [start] }'), [
    `menus.main[0]: a text stands here. Expected: ${forms}. Example: main: [{ page: home }]`,
  ])
  assert.deepEqual(said('menus: { main: [{ link: "https://quay.example/" }] }'), [
    'menus.main[0].label: this key is missing. Expected: a text. Example: label: Repairs',
  ])
  assert.ok(
    said('checks: [{ forum: A/B, shows: kelp, refused: true }]').includes(
      'checks[0].shows: “shows” can’t stand beside the others here. Expected: { at: …, shows: … } or { forum: …, refused: … } or { page: …, refused: … } or { product: …, shows: … }.',
    ),
  )
})

test('yes and no are texts; a number that is none, or too large', () => {
  assert.deepEqual(said('comments: { allowed: no }'), [
    'comments.allowed: “no” is a text in this format. Expected: true or false. Example: allowed: false',
  ])
  assert.match(said('publishing: { postsPerPage: many }')[0] ?? '', /a text stands here\. Expected: a whole number\./)
  assert.match(said('publishing: { postsPerPage: 5000 }')[0] ?? '', /not possible here\. Expected: 1000 at the most\./)
})

test('a first line that is missing; a file without keys; a tab; a bracket that stays open; a * that is no alias', () => {
  const without = head.replace('unpack: 1\n', '')
  assert.deepEqual(said('', {}, without), ['unpack: this key is missing. Expected: 1. Example: unpack: 1'])
  for (const text of ['', 'hello', '- a'])
    assert.match(said(text, {}, '')[0] ?? '', /^this file holds no keys\. Expected: unpack, site and owner/)
  assert.deepEqual(said('pages:\n\t- title: X'), [
    'a tab stands in front of this. Expected: lines that are indented with blanks.',
  ])
  assert.match(said('menus: { main: [').join(), /^a quote, or a bracket, is opened and not closed/)
  assert.match(said('pages: [{ title: *Sale*, slug: sale }]').join(), /^this begins with \*/)
  // nothing but aliases
  assert.match(said('*a', {}, '').join(), /^this begins with \*/)
})

test('a value that stands there through an alias is not missing', () => {
  const texts = said('menus: { main: [&one { label: A, link: nowhere }], footer: [*one] }')
  assert.equal(texts.filter((text) => text.includes('this value is not possible here')).length, 2)
  assert.ok(texts.every((text) => !text.includes('missing')))
})

test('time zones by their cities, languages by their names; nothing is guessed from afar', () => {
  const site = (more: string) => said('', {}, head.replace(' }', `, ${more} }`)).join()
  for (const [zone, nearest] of [
    ['Berlin', 'Europe/Berlin'],
    ['new york', 'America/New_York'],
    ['Europe/Lundon', 'Europe/London'],
  ])
    assert.match(site(`timezone: ${zone ?? ''}`), new RegExp(`the nearest is ${nearest ?? ''}\\.`))
  assert.match(site('timezone: Lanternstreet'), /an IANA time zone\. Example/)
  for (const name of ['German', 'Deutsch', 'germann']) assert.match(site(`language: ${name}`), /the nearest is de\./)
  assert.match(site('language: Klingonese'), /a BCP 47 language tag\. Example/)
  for (const tag of ['de', 'pt-BR', 'zh-Hant', 'ckb']) assert.equal(site(`language: ${tag}`), '')
})

test('a key that is right elsewhere: where', () => {
  assert.deepEqual(said('shows: summary'), [
    'shows: “shows” is not known here. Expected: “shows” under publishing.feed, where it is known.',
  ])
  assert.match(said('postsPerPage: 5')[0] ?? '', /“postsPerPage” under publishing, where it is known/)
  assert.match(said('title: Quay')[0] ?? '', /“title” under site, where it is known/)
  assert.match(said('pages: [{ title: A, slug: a, menus: 1 }]')[0] ?? '', /“menus” at the top of the file/)
})

test('a file that is not there is named; what may be a secret is not', () => {
  const body = (name: string) => said(`pages: [{ title: A, slug: a, body: "${name}" }]`).join()
  assert.match(body('pages/missing.md'), /the file pages\/missing\.md is not there/)
  assert.match(body('hunter2hunter2'), /: this file is not there/)
})

/** Every place of a plan, with a value of another sort in it. */
const spoilt = (plan: unknown): fc.Arbitrary<unknown> => {
  const places: (string | number)[][] = []
  const walk = (value: unknown, path: (string | number)[]): void => {
    places.push(path)
    if (Array.isArray(value))
      value.forEach((one, index) => {
        walk(one, [...path, index])
      })
    else if (typeof value === 'object' && value !== null)
      for (const [key, one] of Object.entries(value)) walk(one, [...path, key])
  }
  walk(plan, [])
  const junk = fc.constantFrom<unknown>('kelp', 7, -1, true, null, [], ['kelp'], {}, { shows: 'kelp' }, { title: 'A' })
  return fc.tuple(fc.constantFrom(...places.slice(1)), junk).map(([path, value]) => {
    const copy = structuredClone(plan) as Record<string | number, unknown>
    let at = copy
    for (const step of path.slice(0, -1)) at = at[step] as Record<string | number, unknown>
    at[path.at(-1) ?? ''] = value
    return copy
  })
}

test('whatever is spoilt: no message is empty words, asks whether somebody meant what they wrote, or names a key that there isn’t', () => {
  for (const text of [demoText, watchersText])
    fc.assert(
      fc.property(spoilt(parse(text)), (plan) => {
        for (const mistake of mistakesIn(JSON.stringify(plan))) {
          const message = mistakeText(mistake)
          assert.doesNotMatch(
            message,
            /not what belongs here|something else|undefined|\[object|as in the example/,
            message,
          )
          assert.match(mistake.expected, /\S/)
          const [, written, meant] = /“(\w+)” is not known here; did you mean “(\w+)”/.exec(message) ?? []
          assert.ok(meant === undefined || (meant !== written && placesOf(meant).length > 0), message)
          const [, key, where] = /Expected: “(\w+)” under ([\w.]+), where/.exec(message) ?? []
          assert.ok(key === undefined || placesOf(key).includes(where ?? ''), message)
        }
      }),
      { numRuns: 300 },
    )
})
