import { join } from 'node:path'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
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

test('texts that an earlier version remembered by a page’s slug alone are found again by its path, and replaced as ours', async () => {
  const rest =
    'categories: [{ name: A, slug: a }, { name: B, slug: b }]\npages: [{ title: V, slug: visit, under: [{ title: H, slug: hours, body: h.md }] }]'
  const run = (text: string) =>
    settle(planned(standIn.address, rest, { 'h.md': text }), { ...standIn.options, confirm: false })
  await run('Saturdays')
  const file = readdirSync(standIn.options.state, { recursive: true })
    .map((name) => join(standIn.options.state, String(name)))
    .find((name) => name.endsWith('.json'))
  assert.ok(file)
  const before = readFileSync(file, 'utf8')
  assert.match(before, /"pages\/visit\/hours":/)
  writeFileSync(file, before.replaceAll('"pages/visit/hours":', '"pages/hours":'))
  const { settled, comparison } = await run('Sundays')
  assert.ok(settled.includes('pages/visit/hours'))
  assert.deepEqual(
    comparison.kept.filter(({ ref }) => ref.startsWith('pages/visit')),
    [],
  )
})
