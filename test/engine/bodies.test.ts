import assert from 'node:assert/strict'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { writeHeapSnapshot } from 'node:v8'
import { settle } from 'unpack'
import { memorySite } from '../../bench/memory-site.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

interface Snapshot {
  snapshot: { meta: { node_fields: string[]; node_types: [string[]] } }
  nodes: number[]
  strings: string[]
}

/** How many texts in memory hold a mark, read from a snapshot as the engine writes it. No expression looks: the last text that one matched would be kept for it. */
function textsWith(marks: readonly string[], file: string): number {
  const { snapshot, nodes, strings } = JSON.parse(readFileSync(file, 'utf8')) as Snapshot
  rmSync(file)
  const {
    node_fields: { length: width },
    node_types: [types],
  } = snapshot.meta
  let count = 0
  for (let at = 0; at < nodes.length; at += width) {
    const [type = 0, name = 0] = nodes.slice(at, at + 2)
    if (types[type]?.includes('string') && marks.every((mark) => strings[name]?.includes(mark))) count += 1
  }
  return count
}

test('a body is kept once, from the plan to the site, however many steps it goes through', long, async () => {
  const root = folder()
  const site = await memorySite()
  const options = { ...(await ownFolders(root)), systems: [site.system], confirm: false }
  await options.logins.put(site.address, 'marlow', site.password)
  const bodies: Record<string, string> = {}
  const pages = Array.from({ length: 100 }, (_, index) => {
    bodies[`b${index}`] = `<p>Berth ${index}. ${'At the quay, '.repeat(200)}</p>`
    return { title: `P${index}`, slug: `p${index}`, body: `b${index}` }
  })
  const kept: number[] = []
  let made = 0
  // turned round only here: else this very source would be one of them
  const marks = ['htreB', 'tA .', 'tA ,'].map((part) => Array.from(part).toReversed().join(''))
  const count = () => kept.push(textsWith(marks, writeHeapSnapshot(join(root, 'heap.heapsnapshot'))))
  const done = await settle(
    { ...planned(site.address), pages, bodies },
    {
      ...options,
      on: (event) => {
        if (event.is === 'carried' && (made += event.refs.length) === pages.length) count()
      },
    },
  )
  // what an expression has matched last is kept by the engine, by chance a body
  assert.match('quay', /quay/)
  count()
  await site.close()
  assert.deepEqual([done.settled.length, done.failed], [pages.length, []])
  assert.deepEqual(kept, [100, 100])
})
