import assert from 'node:assert/strict'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { undo } from '../../engine/undo.js'
import type { ConformanceCase } from '../case.js'

export const shippedCases: readonly ConformanceCase[] = [
  {
    name: 'what shipped goes, each copied into the record first, and what is needed stays',
    area: 'posts',
    needs: [],
    async run(site) {
      const baseline = site.baseline({ shipped: 'remove' })
      const { settled, record, comparison } = await site.settled(baseline)
      assert.ok(settled.some((ref) => ref.startsWith('posts/')) && settled.some((ref) => ref.startsWith('comments/')))
      assert.equal(settled.filter((ref) => ref.startsWith('pages/')).length, 2)
      const copies = readdirSync(join(record ?? '', 'removed'))
      assert.ok(copies.length >= 3, copies.join())
      assert.equal(statSync(record ?? '').mode & 0o777, 0o700)
      assert.ok(
        comparison.kept.some(({ ref }) => ref.startsWith('categories/')),
        'the default category is needed',
      )
      assert.equal((await site.settle(baseline)).writes, 0)
    },
  },
  {
    name: 'shipped: keep leaves all of it',
    area: 'posts',
    needs: [],
    async run(site) {
      const { comparison } = await site.settled(site.baseline({ shipped: 'keep' }))
      assert.ok(comparison.differences.every(({ is }) => is !== 'left over'))
    },
  },
  {
    name: 'a removed post is made again from its copy',
    area: 'posts',
    needs: [],
    async run(site) {
      const { record = '', settled } = await site.settled(site.baseline({ shipped: 'remove' }))
      const post = settled.find((ref) => ref.startsWith('posts/')) ?? ''
      const kept = site.baseline({ shipped: { posts: 'keep' } })
      const { again, failed } = await undo(kept, record, { ...site.options, refs: [post] })
      assert.deepEqual({ again, failed }, { again: [post], failed: [] })
      // it is there again, under its old name; a second time there is nothing to do
      const twice = await undo(kept, record, { ...site.options, refs: [post] })
      assert.deepEqual(twice.again, [])
    },
  },
  {
    name: 'the journal tells what stood there before, for every write',
    area: 'all',
    needs: ['site.title'],
    async run(site) {
      const { record = '' } = await site.settled(site.baseline({ shipped: 'remove', signUp: { open: false } }))
      const lines = readFileSync(join(record, 'journal.jsonl'), 'utf8')
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line) as { event: string; ref?: string; was?: unknown; is?: string })
      const begun = lines.filter(({ event }) => event === 'begun')
      assert.ok(begun.length > 3)
      for (const { ref, was, is } of begun) assert.ok(is === 'missing' || (was !== null && was !== undefined), ref)
      assert.equal(lines.at(-1)?.event, 'closed')
    },
  },
]
