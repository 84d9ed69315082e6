import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, differenceText, inventoryOf, readBaseline, type Reading } from 'unpack'

const plan = (rest: string) =>
  readBaseline(`unpack: 1\nsite: { address: "http://127.0.0.1:4102/", title: T }\nowner: { username: marlow }\n${rest}`)
    .baseline
const shipped = { place: true, untouched: true, known: true }
const branch = (id: number, path: string, more: object = {}) => {
  const [category = '', forum] = path.split('/')
  const item = forum ? { title: forum, parent: `forums/${category}` } : { title: category, parent: '' }
  return { id, item, ...more }
}
const differences = (rest: string, reading: Reading, options = {}) => {
  const result = compare(
    plan(rest),
    inventoryOf({
      owner: [{ id: 1, item: { username: 'marlow', password: 'own' } }],
      site: [{ id: 1, item: { title: 'T' } }],
      ...reading,
    }),
    options,
  )
  return {
    ...result,
    texts: result.differences.filter(({ area }) => area !== 'access').map((one) => differenceText(one)),
  }
}

test('renamed and moved: nothing is made twice, also in a category that is renamed', () => {
  const there: Reading = { forums: [branch(1, 'Sea'), branch(2, 'Sea/Pools'), branch(3, 'Sea/Sand')] }
  const { texts, others } = differences(
    'forums: [{ title: Ocean, was: Sea, forums: [{ title: Pools }] }, { title: Land, forums: [{ title: Dunes, was: Sea/Sand }] }]',
    there,
  )
  assert.deepEqual(others, [])
  assert.deepEqual(texts, [
    'the category “Sea”: title “Sea” → “Ocean”',
    'the category “Land” is missing',
    'the forum “Sand”: title “Sand” → “Dunes”, stands in Sea → Land',
  ])
  // and found under its new name afterwards
  const after: Reading = { forums: [branch(1, 'Ocean'), branch(2, 'Ocean/Pools')] }
  assert.deepEqual(
    differences('forums: [{ title: Ocean, was: Sea, forums: [{ title: Pools, was: Sea/Pools }] }]', after).texts,
    [],
  )
})

test('the order counts among what the file names; others may stand between', () => {
  const order = (...paths: string[]): Reading => ({
    forums: paths.map((path, index) => branch(index + 1, path)),
    forumOrder: [{ id: 1, item: { order: paths.map((path) => `forums/${path}`) } }],
  })
  const file = 'forums: [{ title: A, forums: [{ title: X }, { title: Y }] }, { title: B }]'
  const texts = (...paths: string[]) => differences(file, order(...paths)).texts
  assert.deepEqual(texts('A', 'A/X', 'A/own', 'A/Y', 'own', 'B'), [])
  assert.deepEqual(texts('A', 'A/Y', 'A/X', 'B'), ['order “A, Y, X, B” → “A, X, Y, B”'])
  assert.deepEqual(texts('B', 'A', 'A/X', 'A/Y').length, 1)
  // what is still to come will stand behind the others
  assert.ok(!texts('A', 'A/Y', 'B').some((text) => text.startsWith('order')))
})

test('a forum that holds a topic stays, and so does the category around it, whatever the file says', () => {
  const reading = (topic: object): Reading => ({
    forums: [
      branch(1, 'Test', { marks: shipped }),
      branch(2, 'Test/One', { marks: shipped }),
      branch(3, 'Test/Two', { marks: shipped }),
    ],
    topics: [{ id: 9, item: { key: '9', title: 'Hello', forum: 'forums/Test/One' }, ...topic }],
  })
  const left = (rest: string, topic: object) => {
    const { differences: all, kept } = differences(rest, reading(topic))
    return [all.filter(({ is }) => is === 'left over').map(({ ref }) => ref), kept.map(({ ref }) => ref)]
  }
  assert.deepEqual(left('shipped: remove', { marks: shipped }), [
    ['forums/Test', 'forums/Test/One', 'forums/Test/Two', 'topics/9'],
    [],
  ])
  assert.deepEqual(left('gone: { forums: [Test, Test/One, Test/Two] }', {}), [
    ['forums/Test/Two'],
    ['topics/9', 'forums/Test/One', 'forums/Test'],
  ])
  // one that is moved out holds nothing back
  const moved = differences(
    'forums: [{ title: Sea, forums: [{ title: One, was: Test/One }] }]\ngone: { forums: [Test, Test/Two] }',
    reading({}),
  )
  assert.deepEqual(
    moved.differences.filter(({ is }) => is === 'left over').map(({ ref }) => ref),
    ['forums/Test', 'forums/Test/Two'],
  )
})

test('a key that a system does not have is told without its adapter naming it; leave excuses it at any depth', () => {
  const reading: Reading = { posting: [{ id: 1, item: { perHour: 10 } }] }
  const never = (leave: string) =>
    differences(
      `leave: [${leave}]\nposting: { perHour: 10, waitSeconds: 5, polls: { allowed: true, choices: 8 } }`,
      reading,
    ).never.map(({ ref }) => ref)
  assert.deepEqual(never(''), ['posting.waitSeconds', 'posting.polls.allowed', 'posting.polls.choices'])
  assert.deepEqual(never('posting.polls.choices'), ['posting.waitSeconds', 'posting.polls.allowed'])
  assert.deepEqual(never('posting.polls, posting.waitSeconds'), [])
  assert.deepEqual(never('posting'), [])
  // and where the whole area is lacking
  const lacking = (leave: string) =>
    differences(`leave: [${leave}]\nsignIn: { attempts: 5 }`, {}).never.map(({ ref }) => ref)
  assert.deepEqual(lacking(''), ['signIn'])
  assert.deepEqual(lacking('signIn.attempts'), [])
})

test('members: in their groups at least, their address in any capitals; where none can be made, that is said', () => {
  const reading: Reading = {
    groups: [{ id: 1, item: { name: 'Divers' } }],
    members: [
      { id: 2, item: { username: 'kelp', email: 'KELP@a.example', groups: ['groups/Divers', 'groups/Others'] } },
    ],
  }
  const file = 'groups: [{ name: Divers }]\nmembers: [{ username: kelp, email: kelp@a.example, groups: [Divers] }]'
  assert.deepEqual(differences(file, reading).texts, [])
  const refused = differences(
    file,
    { ...reading, members: [] },
    {
      can: (area: string, key: string) => (area === 'members' && key === 'new' ? { never: 'not here' } : 'can'),
    },
  )
  assert.deepEqual([refused.texts, refused.never], [[], [{ ref: 'members/kelp', text: 'not here' }]])
})
