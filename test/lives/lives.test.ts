import assert from 'node:assert/strict'
import { mock, test } from 'node:test'
import { folder } from '../help/folders.js'
import { kinds } from './kinds.js'
import { calm, Life } from './life.js'
import { applied, mutations } from './mutation-list.js'
import { FIRST_DAY, live } from './run.js'
import { Watch } from './watch.js'

/** Lives of each kind: about 15 seconds together. `npm run lives` runs many more. */
const EACH = 3
// a seed does the same on every day and machine; try another one by hand
const seed = Number(process.env.UNPACK_LIVES_SEED ?? 1)

for (const [kind, make] of Object.entries(kinds))
  test(`${EACH} lives on a stand-in ${kind}, seed ${seed}: nothing of a person’s is lost, opened or kept in a record`, async () => {
    const { lives, wrong } = await live(make, seed, EACH)
    assert.equal(wrong, undefined, `seed ${seed}, life ${lives}:\n${wrong?.steps ?? ''}\n${wrong?.story ?? ''}`)
    assert.equal(lives, EACH)
  })

test('what a person did between two runs is on the site, and a request that takes it away is noticed', async () => {
  mock.timers.enable({ apis: ['Date'], now: FIRST_DAY })
  const life = await Life.begin(kinds.blog, folder(), 0)
  try {
    await life.settle(calm)
    const [post] = life.site.rooms().posts ?? []
    assert.ok(post)
    life.hand('a person writes', () => (post.body = '<p>word1</p>'))
    assert.equal(post.body, '<p>word1</p>')
    const orders = {
      plan: life.plan,
      again: false,
      open: [],
      isUndo: false,
      formerly: undefined,
      settled: new Set<string>(),
    }
    const troubles: string[] = []
    const watch = new Watch(life.site, life.claims, orders, folder(), (text) => troubles.push(text))
    watch.look('GET /')
    assert.deepEqual(troubles, [])
    post.body = '<p>As planned.</p>'
    watch.look('POST /office/posts/1')
    assert.match(troubles.join(), /word1.*after POST/)
  } finally {
    await life.end()
    mock.timers.reset()
  }
})

test('every fix that `npm run lives:mutations` takes out is still there', () => {
  for (const { edits } of mutations) for (const edit of edits) assert.notEqual(applied(edit), '')
})
