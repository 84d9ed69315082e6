import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { settle, type System } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn } from '../help/sites.js'

const root = folder()
const standIn = await runningStandIn(root, { standing: 'first-run' })
after(() => standIn.close())

test('a key that a list area does not read is one the system has not got: told once, excused by name, and nothing else stays open', async () => {
  const { categories } = standInBlogSystem.areas
  const system = {
    ...standInBlogSystem,
    areas: { ...standInBlogSystem.areas, categories: { ...categories, keys: ['name', 'slug', 'parent', 'default'] } },
  } as System
  const list = 'categories: [{ name: A, slug: a, description: One }, { name: B, slug: b, description: Two }]'
  const run = (rest: string) =>
    settle(planned(standIn.address, `${list}\n${rest}`), { ...standIn.options, systems: [system], confirm: false })
  const first = await run('')
  assert.deepEqual(first.comparison.never, [{ ref: 'categories.description', text: 'this system has no such setting' }])
  assert.deepEqual([first.failed, first.open], [[], []])
  assert.ok(first.settled.includes('categories/a'))
  const second = await run('leave: [categories.description]')
  assert.deepEqual([second.comparison.never, second.writes], [[], 0])
})
