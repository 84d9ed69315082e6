import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { confirm } from '../../engine/confirm.js'
import type { ConformanceCase } from '../case.js'

const files = { 'home.md': 'Low water at *half past nine*: bring boots.\n' }

export const allCases: readonly ConformanceCase[] = [
  {
    name: 'what a first run removes is shown before it begins, and nothing else is left to remove',
    area: 'all',
    needs: ['first-run'],
    async run(site) {
      const late: string[] = []
      const settled = await site.settle(site.baseline({ shipped: 'remove' }), {
        choose(choice) {
          const sure = choice.differences.filter(({ is }) => is !== 'left over' || !choice.late)
          late.push(...choice.differences.filter((one) => !sure.includes(one)).map(({ ref }) => ref))
          return sure
        },
      })
      assert.deepEqual([late, settled.open.map(({ ref }) => ref), settled.failed], [[], [], []])
    },
  },
  {
    name: 'the record holds an account for people, programs and build servers, and no secret',
    area: 'all',
    needs: ['site.title'],
    async run(site) {
      const { record = '' } = await site.settled(site.baseline({ shipped: 'remove' }))
      const secret = (await site.provided.logins.find(site.address, 'marlow'))?.password.reveal() ?? ''
      const read = (name: string) => readFileSync(join(record, name), 'utf8')
      for (const name of ['report.html', 'report.json', 'report.xml', 'exchange.har', 'journal.jsonl'])
        for (const form of [secret, encodeURIComponent(secret)]) assert.ok(!read(name).includes(form), name)
      const { log } = JSON.parse(read('exchange.har')) as { log: { version: string; entries: unknown[] } }
      assert.equal(log.version, '1.2')
      assert.ok(log.entries.length > 10)
      assert.match(read('report.xml'), /<testsuites [^>]*failures="0"/)
    },
  },
  {
    name: 'the file’s own checks: one that holds, one that does not',
    area: 'all',
    needs: ['pages.body'],
    async run(site) {
      const pages = [{ title: 'Home', slug: 'home', body: 'home.md' }]
      const plan = (shows: string) => site.baseline({ pages, files, checks: [{ at: '/home/', shows }] })
      await site.settled(plan('bring boots'))
      await site.confirmed(plan('bring boots'))
      const { checks } = await confirm(plan('bring shoes'), site.options)
      assert.deepEqual(
        checks.filter(({ outcome }) => outcome === 'failed').map(({ name }) => name),
        ['/home/ shows “bring shoes”'],
      )
    },
  },
  {
    name: 'a settled site is confirmed as visitor and owner, and nothing is written by looking',
    area: 'all',
    needs: ['site.title', 'pages.body', 'categories.name'],
    async run(site) {
      const baseline = site.baseline({
        site: { description: 'What we found between the tides', searchEngines: 'turned away' },
        shipped: 'remove',
        files,
        categories: [{ name: 'Sightings', slug: 'sightings', replaces: 'shipped' }],
        pages: [{ title: 'Home', slug: 'home', body: 'home.md', replaces: 'shipped' }],
      })
      await site.settled(baseline)
      const before = await site.provided.writes()
      const { checks, failed } = await confirm(baseline, site.options)
      assert.equal(
        failed,
        0,
        checks
          .filter(({ outcome }) => outcome === 'failed')
          .map(({ name, detail }) => `${name}: ${detail}`)
          .join('\n'),
      )
      assert.ok(checks.filter(({ name }) => name.includes('screen')).length >= 8)
      assert.equal(await site.provided.writes(), before)
    },
  },
  {
    name: 'a wrong password changes nothing, and is said',
    area: 'all',
    needs: [],
    async run(site) {
      await site.settled(site.baseline())
      const { logins } = site.provided
      const right = await logins.find(site.address, 'marlow')
      const before = await site.provided.writes()
      const { Secret } = await import('../../core/secret.js')
      await logins.put(site.address, 'marlow', new Secret('not-the-password-of-anybody'))
      await assert.rejects(site.settle(site.baseline({ site: { title: 'Other' } })), { code: 'login-refused' })
      assert.equal(await site.provided.writes(), before)
      if (right) await logins.put(site.address, 'marlow', right.password)
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
