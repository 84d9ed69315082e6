import assert from 'node:assert/strict'
import { compareSite } from '../../engine/compare.js'
import { survey } from '../../engine/survey.js'
import { unlessHeld, type ConformanceCase } from '../case.js'
import { signs } from '../plans.js'

/** A run in which a picture of the site itself comes from a file, and visitors see it. */
const pictured =
  (key: 'icon' | 'logo', check: string): ConformanceCase['run'] =>
  async (site) => {
    const plan = site.baseline({ site: { [key]: 'picture.png' }, files: { 'picture.png': site.provided.icon } })
    await site.settledForGood(plan)
    await site.seen(plan, check)
  }

export const siteCases: readonly ConformanceCase[] = [
  {
    name: 'the survey knows the first-run form, and that it is safe',
    area: 'site',
    needs: ['first-run'],
    async run({ address, system }) {
      const { standing, safe, findings, requests } = await survey(address, { systems: [system] })
      assert.deepEqual(
        { standing, safe, id: findings.system?.id, proven: findings.system?.proven },
        // some tell their version only to who is signed in
        { standing: 'first-run', safe: true, id: system.id, proven: system.version ? undefined : true },
      )
      assert.ok(requests <= 12, `${requests} requests`)
    },
  },
  {
    name: 'after the first-run form alone the site is fresh',
    area: 'site',
    needs: ['site.title', 'first-run'],
    async run(site) {
      await site.settled(site.baseline())
      const { standing, safe } = await survey(site.address, { systems: [site.system] })
      assert.deepEqual({ standing, safe }, { standing: 'fresh', safe: true })
    },
  },
  {
    name: 'title and description, with signs that HTML knows, reach the site as written',
    area: 'site',
    needs: ['site.title', 'site.description'],
    unless: unlessHeld('site', 'title', signs),
    async run(site) {
      const baseline = site.baseline({ site: { title: signs, description: `It's ${signs}` } })
      await site.settledForGood(baseline)
      await site.seen(baseline, 'the front page shows the title')
    },
  },
  {
    name: 'time zone and search engines',
    area: 'site',
    needs: ['site.timezone', 'site.searchEngines'],
    async run(site) {
      await site.settled(site.baseline({ site: { timezone: 'Europe/Vienna', searchEngines: 'turned away' } }))
      const changed = site.baseline({ site: { timezone: 'Europe/London', searchEngines: 'welcome' } })
      await site.settledForGood(changed)
      await site.confirmed(changed)
    },
  },
  {
    name: 'time zone, contact address and search engines in one form, and only what differs is changed',
    area: 'site',
    needs: ['site.timezone', 'site.contact', 'site.searchEngines'],
    async run(site) {
      await site.settled(
        site.baseline({
          site: { timezone: 'Europe/Vienna', contact: 'desk@tidepool.example', searchEngines: 'turned away' },
        }),
      )
      const changed = site.baseline({
        site: { timezone: 'Europe/London', contact: 'post@tidepool.example', searchEngines: 'welcome' },
      })
      const { comparison, settled } = await site.settled(changed)
      assert.deepEqual(settled, ['site'])
      const [difference] = comparison.differences
      assert.ok(difference?.is === 'different')
      assert.deepEqual([...difference.fields].sort(), ['contact', 'searchEngines', 'timezone'])
    },
  },
  {
    name: 'the language of the first-run form and of the site',
    area: 'site',
    needs: ['site.language'],
    async run(site) {
      await site.settled(site.baseline({ site: { language: 'de' } }))
      const english = site.baseline({ site: { language: 'en' } })
      await site.settled(english)
      assert.equal((await site.settle(english)).writes, 0)
    },
  },
  {
    name: 'dates and times by example, and the first day of the week',
    area: 'site',
    needs: ['site.date', 'site.time', 'site.weekStarts'],
    async run(site) {
      for (const dates of [
        { date: '5 March 2026', time: '14:07', weekStarts: 'saturday' },
        { date: 'Thursday, 05/03/26', time: '2.07 pm', weekStarts: 'sunday' },
        { date: '2026-03-05', time: '02:07 PM' },
      ])
        await site.settledForGood(site.baseline({ site: { dates } }))
    },
  },
  {
    name: 'an icon from a file, as the browser finds it',
    area: 'site',
    needs: ['site.icon'],
    run: pictured('icon', "the browser's tab has an icon"),
  },
  {
    name: 'a logo from a file, on its front page',
    area: 'site',
    needs: ['site.logo'],
    run: pictured('logo', 'every page shows the logo'),
  },
  {
    name: 'a language that the site hasn’t got is told, with those that it has; the rest is settled',
    area: 'site',
    needs: ['site.language', 'site.description'],
    unless: ({ areas }) => (areas.site?.choices ? undefined : 'this system tells no languages to choose from'),
    async run(site) {
      const plan = site.baseline({ site: { language: 'tlh', description: 'Tides' } })
      const { failed } = await site.settle(plan)
      assert.deepEqual(
        failed.map(({ ref }) => ref),
        ['site'],
      )
      assert.match(failed[0]?.text ?? '', /^the site has no language “tlh”; it has: \w+/)
      const { comparison } = await compareSite(plan, site.options)
      assert.deepEqual(comparison.differences, [])
      assert.match(comparison.never.find(({ ref }) => ref === 'site.language')?.text ?? '', /“tlh”; it has: /)
      await site.settledForGood(site.baseline({ site: { language: 'de', description: 'Tides' } }))
    },
  },
]
