import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, type CompareOptions, type Inventory } from 'unpack'
import { planned } from '../help/plan.js'

const inventory: Inventory = {
  site: [{ ref: 'site', id: 'site', item: { title: 'Old', language: 'en-US' }, origin: 'shipped', hidden: false }],
  pages: [],
  menus: [],
  owner: [
    {
      ref: 'owner',
      id: 1,
      item: { username: 'marlow', email: 'marlow@quay.example', password: 'own' },
      origin: 'shipped',
      hidden: false,
    },
  ],
}
const told = (rest: string, language: string, choices: CompareOptions['choices']) => {
  const plan = planned('http://quay.example/', rest, {}, undefined, `, language: ${language}`)
  const { never, notHere, differences } = compare(plan, inventory, { choices })
  return {
    never: never.map(({ ref, text }) => `${ref}: ${text}`),
    notHere: notHere.map(({ ref }) => ref),
    differs: differences.map(({ ref }) => ref),
    fields: differences.flatMap((one) => (one.is === 'different' ? one.fields : [])),
  }
}
const menus = 'pages: [{ title: Home, slug: home }]\nmenus: { main: [{ page: home }], attic: [{ page: home }] }\n'

test('a value that is not among those that the site has is told, the nearest first, and the rest stays to be settled', () => {
  const languages = [...Array.from({ length: 25 }, (_, index) => `a${String.fromCharCode(97 + index)}`), 'de-AT']
  const { never, notHere, differs, fields } = told(menus, 'de-CH', (_area, key) =>
    key === 'language' ? languages : key === 'place' ? ['main', 'x'.repeat(99)] : undefined,
  )
  assert.equal(never.length, 2)
  assert.match(never[0] ?? '', /^site\.language: the site has no language “de-CH”; it has: de-AT, aa, .* and 6 more$/)
  assert.match(never[1] ?? '', /^menus\/attic: the menu “attic”: the site has no place “attic”; it has: main, x{60}$/)
  assert.deepEqual(notHere, ['site', 'menus/attic'])
  assert.deepEqual(differs, ['site', 'pages/home', 'menus/main'])
  assert.deepEqual(fields, ['title'])
})

test('a language without a region is any of it; what the file excuses is not told; what is not known is no lack', () => {
  const only = (values: readonly string[]) => (_area: string, key: string) => (key === 'language' ? values : undefined)
  assert.deepEqual(told('', 'de', only(['en-US', 'de-DE'])).fields, ['title', 'language'])
  assert.deepEqual(told('leave: [site.language]', 'de', only(['en-US'])).never, [])
  assert.deepEqual(told('leave: [site.language]', 'de', only(['en-US'])).fields, ['title'])
  assert.deepEqual(told(menus, 'de', undefined).never, [])
  assert.match(told('', 'de', only([])).never[0] ?? '', /it has: none$/)
})

test('of a list, those that the site hasn’t got are told; a text of the owner’s own goes by “text”', () => {
  const plan = planned('http://quay.example/', 'sidebars: { left: [search, archives, { text: foot.md }] }', {
    'foot.md': 'Low water at nine.',
  })
  const withParts = (...parts: string[]) => {
    const choices: CompareOptions['choices'] = (_area, key) => (key === 'parts' ? parts : undefined)
    const { never, differences } = compare(plan, { ...inventory, sidebars: [] }, { choices })
    const isLeft = differences.some(({ ref }) => ref === 'sidebars/left')
    return [never.find(({ ref }) => ref === 'sidebars/left')?.text, isLeft]
  }
  assert.deepEqual(withParts('search', 'archives', 'text'), [undefined, true])
  assert.deepEqual(withParts('search', 'text'), [
    'the sidebar “left”: the site has no parts “archives”; it has: search, text',
    false,
  ])
  assert.deepEqual(withParts('search', 'archives'), [
    'the sidebar “left”: the site has no parts “text”; it has: search, archives',
    false,
  ])
})
