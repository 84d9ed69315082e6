import assert from 'node:assert/strict'
import { confirm } from '../../engine/confirm.js'
import type { Logins } from '../../logins/logins.js'
import type { ConformanceCase } from '../case.js'
import { members, raw, volunteers, watchers } from '../plans.js'
import type { ConformanceSite } from '../site.js'

const wrong = async (site: ConformanceSite, baseline: ReturnType<typeof watchers>) => {
  const { eyes } = await confirm(baseline, site.options)
  return eyes
    .filter(({ outcome }) => outcome === 'failed')
    .map(({ at, as, planned, seen }) => ({ at, as, planned, seen }))
}

export const accessCases: readonly ConformanceCase[] = [
  {
    name: 'who may do what in five forums, seen by visitor, members and owner, each in a session of their own',
    area: 'access',
    needs: ['access.see', 'access.read', 'members.groups'],
    async run(site) {
      const baseline = watchers(site)
      await site.settledForGood(baseline)
      const { eyes, checks } = await confirm(baseline, site.options)
      assert.equal(eyes.length, 20)
      const failed = checks
        .filter(({ outcome }) => outcome === 'failed')
        .map(({ name, detail }) => `${name}: ${detail}`)
      assert.deepEqual(failed, [])
      const seen = (as: string) => eyes.find((cell) => cell.at === 'Surveys/Raw counts' && cell.as === as)?.seen
      assert.deepEqual(seen('visitor'), [])
      assert.deepEqual(seen('member limpet'), ['see'])
      assert.deepEqual(seen('member kelp'), ['see', 'read', 'reply'])
      assert.deepEqual(seen('owner'), ['see', 'read', 'start', 'reply'])
    },
  },
  {
    name: 'access that is changed in the file is changed on the site; a cell that is not as planned is named',
    area: 'access',
    needs: ['access.see', 'access.read'],
    async run(site) {
      await site.settled(watchers(site))
      const wider = watchers(site, { ...raw, read: 'members', reply: [volunteers] })
      assert.deepEqual(await wrong(site, wider), [
        { at: 'Surveys/Raw counts', as: 'member limpet', planned: ['see', 'read'], seen: ['see'] },
      ])
      const { settled } = await site.settledForGood(wider)
      assert.deepEqual(
        settled.filter((ref) => !ref.startsWith('access/')),
        [],
      )
      assert.deepEqual(await wrong(site, wider), [])
    },
  },
  {
    name: 'checks of the file: a forum that must turn somebody away, and one that must not',
    area: 'access',
    needs: ['access.read'],
    async run(site) {
      const forum = 'Surveys/Raw counts'
      const checks = [
        { forum, as: 'visitor', refused: true },
        { forum, as: 'member limpet', refused: true },
        { forum, as: 'member kelp', refused: false },
      ]
      const baseline = watchers(site, raw, { checks })
      await site.settled(baseline)
      await site.confirmed(baseline)
      const turned = watchers(site, raw, { checks: [{ forum, as: 'member kelp', refused: true }] })
      const failed = (await confirm(turned, site.options)).checks.filter(({ outcome }) => outcome === 'failed')
      assert.deepEqual(
        failed.map(({ name }) => name),
        ['“Surveys/Raw counts” turns member kelp away'],
      )
    },
  },
  {
    name: 'a membership whose effects were not paid for leaks rights; the next run pays, though nothing differs',
    area: 'access',
    needs: ['access.read', 'members.groups'],
    async run(site) {
      const alone = [{ ...members[0], groups: [] }, members[1]]
      await site.settled(watchers(site, raw, { members: alone }))
      const stop = new AbortController()
      const joined = watchers(site)
      await assert.rejects(
        site.settle(joined, {
          signal: stop.signal,
          // without kelp's login nothing signs in as kelp: on some systems that would fill what others share
          logins: withoutLogin(site.options.logins, 'kelp'),
          on: (event) => {
            if (event.is === 'carried' && event.refs.includes('members/kelp')) stop.abort()
          },
        }),
        { code: 'stopped' },
      )
      // limpet shares what kelp was given: no reading at the dashboard shows it
      const leak = await wrong(site, joined)
      assert.deepEqual(
        leak.map(({ at, as }) => `${at}, ${as}`),
        ['Surveys/Raw counts, member limpet'],
      )
      const { comparison, writes } = await site.settle(joined)
      assert.deepEqual(comparison.differences, [])
      assert.equal(writes, 1)
      assert.deepEqual(await wrong(site, joined), [])
      assert.equal((await site.settle(joined)).writes, 0)
    },
  },
  {
    name: 'tried: everybody writes where they may, is refused where they may not, and leaves nothing behind',
    area: 'access',
    needs: ['access.start', 'access.reply'],
    async run(site) {
      const baseline = watchers(site)
      await site.settled(baseline)
      const { checks } = await confirm(baseline, { ...site.options, try: true })
      const tried = checks.filter(({ name }) => name.startsWith('tried:'))
      assert.equal(tried.length, 35)
      assert.deepEqual(
        checks.filter(({ outcome }) => outcome === 'failed').map(({ name, detail }) => `${name}: ${detail}`),
        [],
      )
      assert.equal((await site.settle(baseline)).writes, 0)
    },
  },
  {
    name: 'a group nobody is in is told as unseen',
    area: 'access',
    needs: ['access.read'],
    async run(site) {
      const baseline = watchers(site, raw, { groups: [{ name: volunteers }, { name: 'Night watch' }] })
      await site.settled(baseline)
      const { eyes, failed } = await confirm(baseline, site.options)
      assert.equal(failed, 0)
      const unseen = eyes.filter(({ seen }) => seen === null)
      assert.deepEqual([...new Set(unseen.map(({ as }) => as))], ['Night watch'])
    },
  },
]

/** The same logins, but for one. */
const withoutLogin = (logins: Logins, username: string): Logins => ({
  file: logins.file,
  find: (address, name) => (name === username ? undefined : logins.find(address, name)),
  at: (address) => logins.at(address),
  put: (address, name, password, more) => logins.put(address, name, password, more),
})
