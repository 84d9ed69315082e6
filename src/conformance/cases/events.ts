import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const files = { 'rope.md': 'Twist one *of your own*.\n' }
const rope = { title: 'Rope & tar', slug: 'rope', place: 'The long shed', body: 'rope.md' }

export const eventsCases: readonly ConformanceCase[] = [
  {
    name: 'a page that comes to the place where a system may keep all events: both are there',
    area: 'events',
    needs: ['events.title', 'events.start', 'events.body', 'pages.title', 'pages.slug', 'pages.body'],
    async run(site) {
      const events = [{ ...rope, start: '2026-03-28T23:30', end: '2026-03-29T03:15' }]
      await site.settledForGood(site.baseline({ events, files }))
      const both = site.baseline({ events, pages: [{ title: 'What is on', slug: 'events', body: 'rope.md' }], files })
      assert.deepEqual((await site.settledForGood(both)).settled, ['pages/events'])
      await site.confirmed(both)
    },
  },
  {
    name: 'events at their place and time, on both sides of a change of summer time; changed, renamed, and gone',
    area: 'events',
    needs: ['events.title', 'events.start', 'events.end', 'events.place', 'events.body'],
    async run(site) {
      const plan = (...events: object[]) => site.baseline({ events, files, site: { timezone: 'Europe/Berlin' } })
      // clocks go forward at two in the night between both
      const before = { ...rope, start: '2026-03-28T23:30', end: '2026-03-29T03:15' }
      const after = { title: 'Walk', slug: 'walk', start: '2026-10-25T11:00', end: '2026-10-25T12:00' }
      const first = plan(before, after)
      await site.settledForGood(first)
      await site.seen(first, 'the event “Rope & tar” shows when and where it is')
      // nor from another folder, with nothing remembered
      const again = await site.settle(first, { state: `${site.provided.state}-elsewhere` })
      assert.deepEqual([again.writes, again.comparison.differences.length], [0, 0])
      const changed = plan({ ...before, place: 'The loft', end: '2026-03-29T04:00' }, after)
      assert.deepEqual((await site.settledForGood(changed)).settled, ['events/rope'])
      const renamed = plan({ ...before, slug: 'twist', was: 'rope' }, after)
      assert.deepEqual((await site.settledForGood(renamed)).settled, ['events/twist'])
      const gone = site.baseline({ events: [after], gone: { events: ['twist'] }, site: { timezone: 'Europe/Berlin' } })
      assert.deepEqual((await site.settledForGood(gone)).settled, ['events/twist'])
    },
  },
]
