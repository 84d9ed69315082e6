import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import type { ConformanceSite } from '../site.js'

const pages = [
  { title: 'Home & tides', slug: 'home' },
  { title: 'Rota', slug: 'rota' },
  { title: 'News', slug: 'news' },
]
const categories = [{ name: 'Sightings', slug: 'sightings' }]
/** A plan with the theme that has places for menus and a sidebar. */
const themed = (site: ConformanceSite, rest: object) =>
  site.baseline({
    theme: { use: site.provided.archives.theme.use, from: 'theme.zip' },
    files: { 'theme.zip': site.provided.archives.theme.bytes },
    pages,
    categories,
    ...rest,
  })

export const placeCases: readonly ConformanceCase[] = [
  {
    name: 'a page as front page, another for the posts, and back to the latest posts',
    area: 'frontPage',
    needs: ['frontPage.page', 'frontPage.posts'],
    async run(site) {
      const files = { 'home.md': 'Low water at half past nine.\n' }
      const own = [{ ...pages[0], body: 'home.md' }, pages[2]]
      const plan = site.baseline({ pages: own, files, frontPage: { page: 'home', posts: 'news' } })
      await site.settledForGood(plan)
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name }) => name === 'the front page is “Home & tides”'))
      await site.settledForGood(site.baseline({ pages: own, files, frontPage: 'posts' }))
    },
  },
  {
    name: 'menus with pages, categories, links and labels, in their order; changed, and emptied',
    area: 'menus',
    needs: ['menus.entries', 'theme.use'],
    async run(site) {
      const link = { label: 'Tool library', link: 'https://tools.tidepool.example/?a=1&b=2' }
      const plan = themed(site, {
        menus: {
          main: [{ page: 'home' }, { category: 'sightings' }, { page: 'rota', label: 'Who “comes” when' }],
          footer: [link],
        },
      })
      await site.settledForGood(plan)
      await site.confirmed(plan)
      const changed = themed(site, { menus: { main: [link, { page: 'home' }], footer: [] } })
      const { settled } = await site.settledForGood(changed)
      assert.deepEqual([...settled].sort(), ['menus/footer', 'menus/main'])
      await site.confirmed(changed)
    },
  },
  {
    name: 'a place that the theme hasn’t got is told, with those that it has',
    area: 'menus',
    needs: ['menus.entries', 'theme.use'],
    async run(site) {
      const { failed } = await site.settle(themed(site, { menus: { attic: [{ page: 'home' }] } }))
      assert.deepEqual(
        failed.map(({ ref }) => ref),
        ['menus/attic'],
      )
      assert.match(failed[0]?.text ?? '', /main/)
    },
  },
  {
    name: 'sidebars with exactly these parts, in their order; changed, and emptied',
    area: 'sidebars',
    needs: ['sidebars.parts', 'theme.use'],
    async run(site) {
      await site.settledForGood(themed(site, { sidebars: { main: ['search', 'latest posts', 'categories'] } }))
      await site.settledForGood(
        themed(site, { sidebars: { main: ['pages', 'archives', 'latest comments', 'tags', 'search'] } }),
      )
      await site.settledForGood(themed(site, { sidebars: { main: [] } }))
    },
  },
]
