import assert from 'node:assert/strict'
import { join } from 'node:path'
import type { Baseline } from '../../core/baseline/schema.js'
import type { Comparison } from '../../core/compare.js'
import { shownText } from '../../core/text/plain.js'
import { compareSite } from '../../engine/compare.js'
import { unlessHeld, type ConformanceCase } from '../case.js'
import { signs } from '../plans.js'
import type { ConformanceSite } from '../site.js'

const files = {
  'home.md': 'We look at *what the tide leaves*.\n\n- [Rota](../rota/)\n- "Boots & buckets" — bring both\n',
  'rota.md': '## Rota\n\nKelp on Mondays.\n',
  'other.md': 'Something else entirely.\n',
}
const pages = [
  { title: 'Home', slug: 'home', body: 'home.md', replaces: 'shipped' },
  { title: 'Rota & tides', slug: 'rota', body: 'rota.md' },
]

const awkward = {
  table: '| What | When |\n|:--|--:|\n| A *lamp* | 10:00 |\n| B \\| C | – |\n',
  code: '    indented & <b>\n\n```js\nif (a < b && c > d) {\n\n  return "x"\n}\n```\n\nand `inline <i>`\n',
  lists: '- one\n  1. two\n     - three **deep**\n\n  more\n- four\n',
  quotes: '> A quote\n>\n> > in a quote: “with” ‘quotes’ & "dashes" -- and... dots\n',
  entities: "AT&T &amp; &lt;b&gt; &copy; \\*no emphasis\\* 5 > 3 < 4 [c] (c) 1/2 2x3 '80s\n",
  emoji: '🛠️ 👩‍🔧 🇬🇧 — Ἑλληνικά, 日本語, naïve ﬁ\n',
}

const long = Array.from(
  { length: 2400 },
  (_, index) => `Paragraph ${index} tells of *tides* & of “moons”, again and again, at length.`,
).join('\n\n')

/** Pages with these texts: settled, seen, and the same from another folder. */
async function staysTheSame(site: ConformanceSite, texts: Readonly<Record<string, string>>): Promise<void> {
  const plan = site.baseline({
    pages: Object.keys(texts).map((name) => ({ title: name, slug: name, body: `${name}.md` })),
    files: Object.fromEntries(Object.entries(texts).map(([name, text]) => [`${name}.md`, text])),
  })
  await site.settledForGood(plan)
  await site.settledForGood(plan, { state: join(site.provided.state, 'elsewhere') })
  await site.confirmed(plan)
}

export const pagesCases: readonly ConformanceCase[] = [
  {
    name: 'a page takes over the shipped one in place, another is new, and a second run writes nothing',
    area: 'pages',
    needs: ['pages.title', 'pages.slug', 'pages.body', 'shipped-pages'],
    async run(site) {
      const baseline = site.baseline({ shipped: 'remove', pages, files })
      const { settled, comparison } = await site.settled(baseline)
      assert.ok(settled.includes('pages/home') && settled.includes('pages/rota'))
      assert.ok(
        comparison.differences.some(({ ref, is }) => ref === 'pages/home' && is === 'different'),
        'in place',
      )
      const before = await site.provided.writes()
      const again = await site.settle(baseline)
      assert.deepEqual(
        { writes: again.writes, differences: again.comparison.differences.length },
        { writes: 0, differences: 0 },
      )
      assert.equal(await site.provided.writes(), before, 'counted on the server’s side')
      // nor from another folder, with nothing remembered and the record gone
      const elsewhere = await site.settle(baseline, {
        state: join(site.provided.state, 'new'),
        records: join(site.provided.records, 'new'),
      })
      assert.deepEqual(
        { writes: elsewhere.writes, kept: elsewhere.comparison.kept.filter(({ ref }) => ref.startsWith('pages/')) },
        { writes: 0, kept: [] },
      )
    },
  },
  {
    name: 'a page that takes over the shipped one without a text of its own keeps none of that, where what shipped goes',
    area: 'pages',
    needs: ['pages.title', 'pages.slug', 'pages.body', 'shipped-pages'],
    async run(site) {
      const home = [{ title: 'Home', slug: 'home', replaces: 'shipped' }]
      await site.settled(site.baseline({ shipped: 'keep' }))
      const plan = (shipped: string) => site.baseline({ shipped, pages: home })
      const differs = async (baseline: Baseline) =>
        (await compareSite(baseline, site.options)).comparison.differences.find(({ ref }) => ref === 'pages/home')
      const left = await differs(plan('keep'))
      const goes = await differs(plan('remove'))
      assert.ok(left?.is === 'different' && goes?.is === 'different')
      assert.deepEqual([left.fields.includes('body' as never), goes.fields.includes('body' as never)], [false, true])
      const shipped = shownText(String((goes.found.item as { body?: string }).body)).slice(0, 40)
      assert.ok(shipped.length > 10)
      await site.settledForGood(plan('remove'))
      const page = await (await fetch(new URL('home/', site.address))).text()
      assert.ok(page.includes('Home') && !page.includes(shipped), shipped)
    },
  },
  {
    name: 'a page renamed in the file is renamed, and its new text reaches the site',
    area: 'pages',
    needs: ['pages.title', 'pages.slug', 'pages.body'],
    async run(site) {
      await site.settled(site.baseline({ shipped: 'remove', pages, files }))
      const renamed = [pages[0], { title: 'Who comes when', slug: 'who', was: 'rota', body: 'other.md' }]
      const { settled, comparison } = await site.settled(site.baseline({ shipped: 'remove', pages: renamed, files }))
      assert.deepEqual(settled, ['pages/who'])
      assert.deepEqual(
        comparison.kept.filter(({ ref }) => ref.startsWith('pages/')),
        [],
      )
    },
  },
  {
    name: 'a text that was changed since is the owner’s: kept and reported; --again writes the planned one',
    area: 'pages',
    needs: ['pages.body'],
    async run(site) {
      const plan = site.baseline({ shipped: 'remove', pages, files })
      await site.settled(plan)
      // the owner at work: from another folder, with a plan of their own
      const theirs = site.baseline({ shipped: 'remove', pages, files: { ...files, 'rota.md': 'Limpet on Mondays.\n' } })
      await site.settled(theirs, { state: join(site.provided.state, 'theirs'), again: true })
      const kept = await site.settle(plan)
      assert.equal(kept.writes, 0)
      assert.ok(kept.comparison.kept.some(({ ref }) => ref === 'pages/rota'))
      const again = await site.settled(plan, { again: true })
      assert.deepEqual(again.settled, ['pages/rota'])
    },
  },
  {
    name: 'pages under pages, in their order; moved, and put into another order',
    area: 'pages',
    needs: ['pages.parent', 'pages.order'],
    async run(site) {
      const page = (name: string, under: object[] = []) => ({ title: name, slug: name.toLowerCase(), under })
      const plan = site.baseline({ pages: [page('A', [page('B', [page('C')]), page('D')]), page('E')] })
      await site.settledForGood(plan)
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name, outcome }) => name === 'the page “C” shows its title' && outcome === 'passed'))
      const moved = site.baseline({ pages: [page('E', [page('B')]), page('C'), page('A', [page('D')])] })
      await site.settledForGood(moved)
      await site.confirmed(moved)
    },
  },
  {
    name: 'awkward texts stay the same text: tables, code, nested lists, quotes, entities, emoji',
    area: 'pages',
    needs: ['pages.body'],
    async run(site) {
      await staysTheSame(site, awkward)
    },
  },
  {
    name: 'a text of 200 kB stays the same text',
    area: 'pages',
    needs: ['pages.body'],
    unless: unlessHeld('pages', 'body', long),
    async run(site) {
      await staysTheSame(site, { long })
    },
  },
  {
    name: 'somebody’s own page under a planned slug is a conflict: told, and no second one is made',
    area: 'pages',
    needs: ['pages.body'],
    async run(site) {
      await site.settled(site.baseline({ pages: [pages[1]], files }), { state: join(site.provided.state, 'theirs') })
      const plan = site.baseline({ pages: [{ ...pages[1], body: 'other.md' }], files })
      const { writes, comparison } = await site.settle(plan)
      assert.equal(writes, 0)
      assert.ok(comparison.byHand.some(({ ref }) => ref === 'pages/rota'))
    },
  },
  {
    name: 'an item that neither shipped nor stands in the baseline makes it a site in use: refused, then only named items are touched',
    area: 'pages',
    needs: ['pages.title'],
    async run(site) {
      await site.settled(site.baseline({ pages, files }))
      // an edited page did not come in the first minutes
      await site.settled(site.baseline({ pages: [pages[0], { ...pages[1], body: 'other.md' }], files }))
      const other = site.baseline({ site: { title: 'Another title' }, shipped: 'remove', pages: [pages[0]], files })
      const before = await site.provided.writes()
      await assert.rejects(site.settle(other), { code: 'in-use' })
      assert.equal(await site.provided.writes(), before)
      const { settled, comparison } = await site.settled(other, { inUse: true })
      assert.deepEqual(settled, ['site'])
      assert.ok(comparison.kept.some(({ ref }) => ref === 'pages/rota'))
    },
  },
  {
    name: 'two pages: what differs can be chosen from',
    area: 'pages',
    needs: ['pages.title'],
    async run(site) {
      await site.settled(site.baseline())
      const { settled, open } = await site.settle(
        site.baseline({ pages: pages.map(({ title, slug }) => ({ title, slug })) }),
        { choose: ({ differences }) => differences.filter(({ ref }) => ref === 'pages/rota') },
      )
      assert.deepEqual({ settled, open: open.map(({ ref }) => ref) }, { settled: ['pages/rota'], open: ['pages/home'] })
    },
  },
  {
    name: 'titles of pages are text: what looks like tags or entities reaches visitors as it is written',
    area: 'pages',
    needs: ['pages.title'],
    unless: unlessHeld('pages', 'title', signs),
    async run(site) {
      const plan = site.baseline({ pages: [{ title: signs, slug: 'signs' }] })
      await site.settledForGood(plan)
      await site.seen(plan, `the page “${signs}” shows its title`)
    },
  },
  {
    name: 'what its owner removed since is made again, and that is said',
    area: 'pages',
    needs: ['pages.title'],
    async run(site) {
      const home = { title: 'Home', slug: 'home' }
      const plan = site.baseline({ pages: [home, { title: 'Rota', slug: 'rota' }] })
      const removedSince = ({ comparison }: { comparison: Comparison }) =>
        comparison.notes.filter(({ text }) => text.includes('“Rota” stood here once')).map(({ ref }) => ref)
      assert.deepEqual(removedSince(await site.settledForGood(plan)), [])
      // the owner at work: from another folder
      const theirs = site.baseline({ pages: [home], gone: { pages: ['rota'] } })
      await site.settled(theirs, { state: join(site.provided.state, 'theirs') })
      const again = await site.settledForGood(plan)
      assert.deepEqual([again.settled, removedSince(again)], [['pages/rota'], ['pages/rota']])
      // what we have removed ourselves is no news
      await site.settled(theirs)
      assert.deepEqual(removedSince(await site.settledForGood(plan)), [])
    },
  },
]
