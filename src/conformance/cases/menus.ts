import assert from 'node:assert/strict'
import { compareSite } from '../../engine/compare.js'
import { confirm } from '../../engine/confirm.js'
import type { ConformanceCase } from '../case.js'
import { signs, themed } from '../plans.js'

const pages = [
  { title: 'Home & tides', slug: 'home' },
  { title: 'Rota', slug: 'rota' },
  { title: 'News', slug: 'news' },
]
const categories = [{ name: 'Sightings', slug: 'sightings' }]
export const menusCases: readonly ConformanceCase[] = [
  {
    name: 'menus with pages, categories, links and labels, in their order; changed, and emptied',
    area: 'menus',
    needs: ['menus.entries', 'theme.use', 'categories.name'],
    async run(site) {
      const link = { label: 'Tool library', link: 'https://tools.tidepool.example/?a=1&b=2' }
      const plan = themed(site, {
        pages,
        categories,
        menus: {
          main: [{ page: 'home' }, { category: 'sightings' }, { page: 'rota', label: 'Who “comes” when' }],
          footer: [link],
        },
      })
      await site.settledForGood(plan)
      await site.confirmed(plan)
      const changed = themed(site, { pages, categories, menus: { main: [link, { page: 'home' }], footer: [] } })
      const { settled } = await site.settledForGood(changed)
      assert.deepEqual([...settled].sort(), ['menus/footer', 'menus/main'])
      await site.confirmed(changed)
    },
  },
  {
    name: 'a place that the theme hasn’t got is told, with those that it has',
    area: 'menus',
    needs: ['menus.entries', 'theme.use', 'categories.name'],
    async run(site) {
      const plan = themed(site, { pages, categories, menus: { attic: [{ page: 'home' }] } })
      // the theme comes in the same run, and its places are known when it is in use
      const { failed } = await site.settle(plan)
      assert.deepEqual(
        failed.map(({ ref }) => ref),
        ['menus/attic'],
      )
      assert.match(failed[0]?.text ?? '', /“attic”; it has: .*main/)
      const { comparison } = await compareSite(plan, site.options)
      assert.match(comparison.never.find(({ ref }) => ref === 'menus/attic')?.text ?? '', /“attic”; it has: .*main/)
      assert.equal((await site.settle(plan)).writes, 0)
      const { checks } = await confirm(plan, site.options)
      const wrong = checks.filter(({ outcome }) => outcome === 'failed')
      assert.deepEqual(
        wrong.map(({ name }) => name),
        ['nothing is left to settle'],
      )
      assert.match(wrong[0]?.detail ?? '', /menus\/attic: .*it has: .*main/)
    },
  },
  {
    name: 'labels in menus are text: what looks like tags or entities reaches visitors as it is written',
    area: 'menus',
    needs: ['menus.entries', 'theme.use', 'categories.name'],
    async run(site) {
      const plan = themed(site, {
        pages: [{ title: signs, slug: 'signs' }],
        categories: [{ name: `${signs} too`, slug: 'too' }],
        menus: {
          main: [
            { page: 'signs' },
            { category: 'too' },
            { page: 'signs', label: `About ${signs}` },
            { label: `To ${signs}`, link: 'https://tools.tidepool.example/' },
          ],
        },
      })
      await site.settledForGood(plan)
      await site.seen(plan, 'visitors find the menu “main”')
    },
  },
  {
    name: 'a menu of pages and links in the pages’ own order; changed, and emptied',
    area: 'menus',
    needs: ['menus.entries', 'pages.title'],
    async run(site) {
      const link = { label: 'Tool library', link: 'https://tools.tidepool.example/?a=1&b=2' }
      const own = pages.map((page) => ({ ...page, slug: `${page.slug}-page` }))
      const plan = (main: object[]) => themed(site, { pages: own, menus: { main } })
      const others = ['Причал', 'Сети'].map((label, index) => ({ label, link: `https://quay.example/${index}` }))
      const first = plan([{ page: 'home-page' }, link, ...others, { page: 'news-page' }])
      await site.settledForGood(first)
      await site.seen(first, 'visitors find the menu “main”')
      const second = plan([{ page: 'rota-page' }, { page: 'news-page' }])
      assert.deepEqual((await site.settledForGood(second)).settled, ['menus/main'])
      await site.seen(second, 'visitors find the menu “main”')
      await site.settledForGood(plan([]))
    },
  },
]
