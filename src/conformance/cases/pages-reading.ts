import assert from 'node:assert/strict'
import { compareSite } from '../../engine/compare.js'
import { undo } from '../../engine/undo.js'
import type { ConformanceCase } from '../case.js'
import { museum, museumFiles } from '../plans.js'

const inside = [
  { title: 'Weeks', slug: 'weeks', body: 'hours.md' },
  { title: 'Key', slug: 'key', body: 'hours.md', for: ['Keepers of the key'] },
  { title: 'Next', slug: 'next', body: 'hours.md', state: 'draft' },
]
export const pagesReadingCases: readonly ConformanceCase[] = [
  {
    name: 'a closed page that was removed is given back, closed, to those who could read it and work on it',
    area: 'pages',
    needs: ['pages.for', 'pages.may.edit', 'groups.name', 'members.groups'],
    async run(site) {
      const first = museum(site, { for: ['Volunteers'], may: { edit: ['Keepers of the key'] } })
      await site.settledForGood(first)
      const gone = museum(site, {}, { pages: [{ title: 'Visit', slug: 'visit' }], gone: { pages: ['rota'] } })
      const { record = '', failed } = await site.settledForGood(gone, { inUse: true })
      assert.deepEqual(failed, [])
      const given = await undo(gone, record, { ...site.options, refs: ['pages/rota'] })
      assert.deepEqual([given.again, given.failed], [['pages/rota'], []])
      assert.deepEqual(
        (await compareSite(first, site.options)).comparison.differences.map(({ ref }) => ref),
        [],
      )
      await site.confirmed(first)
    },
  },
  {
    name: 'who may read a page and all below it: members, a group, fewer of them, nobody yet; as each of them finds it',
    area: 'pages',
    needs: ['pages.for', 'groups.name', 'members.groups'],
    async run(site) {
      const first = museum(site, { for: ['Volunteers', 'Keepers of the key'], under: inside })
      await site.settledForGood(first)
      await site.seen(
        first,
        '“rota” is as open to a visitor as planned',
        '“rota/weeks” is as open to member tar as planned',
        '“rota/weeks” is as open to member hemp as planned',
        '“rota/key” is as open to member hemp as planned',
        '“rota/key” is as open to member oakum as planned',
        '“rota/next” is as open to member oakum as planned',
        '“visit/night” is as open to member tar as planned',
        'the page “Hours” shows its text',
      )
      // opened to all members, and what is below stays as it is
      const members = museum(site, { for: 'members', under: inside })
      assert.deepEqual(
        (await site.settledForGood(members)).settled.filter((ref) => ref === 'pages/rota'),
        ['pages/rota'],
      )
      await site.confirmed(members)
      const everybody = museum(site, { under: inside })
      await site.settledForGood(everybody)
      await site.seen(everybody, 'the page “Rota” shows its text', 'the page “Weeks” shows its text')
      // and closed again
      await site.settledForGood(first)
      await site.confirmed(first)
    },
  },
  {
    name: 'who may work on a page, tried by each of them without a trace',
    area: 'pages',
    needs: ['pages.may.edit', 'pages.may.write'],
    async run(site) {
      const shared = museum(site, {
        for: 'members',
        may: { edit: ['Volunteers'], write: ['Keepers of the key'] },
        under: [inside[0]],
      })
      await site.settledForGood(shared)
      const checks = await site.confirmed(shared, { try: true })
      for (const name of [
        'tried: member hemp can begin to change it in “rota”',
        'tried: member tar can’t begin to change it in “rota”',
        'tried: member oakum can add a page in “rota”',
        'tried: member hemp can’t add a page in “rota”',
      ])
        assert.equal(checks.find((check) => check.name === name)?.outcome, 'passed', name)
      assert.equal((await site.settle(shared)).writes, 0, 'nothing is left of it')
    },
  },
  {
    name: 'summary, tags, left out of menus, and old addresses that lead on',
    area: 'pages',
    needs: ['pages.summary', 'pages.tags', 'pages.hidden', 'pages.movedFrom'],
    async run(site) {
      const visit = { title: 'Visit', slug: 'visit', body: 'hours.md', summary: 'How & when', tags: ['Way', 'Hours'] }
      const one = site.baseline({ pages: [{ ...visit, hidden: true, movedFrom: ['/find-us'] }], files: museumFiles })
      await site.settledForGood(one)
      await site.seen(one, '/find-us leads to the page “Visit”')
      const other = site.baseline({
        pages: [{ ...visit, tags: ['Way'], summary: 'Here', hidden: false, movedFrom: ['/find-us', '/old/way'] }],
        files: museumFiles,
      })
      assert.deepEqual((await site.settledForGood(other)).settled, ['pages/visit'])
      await site.seen(other, '/old/way leads to the page “Visit”')
    },
  },
]
