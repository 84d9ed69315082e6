import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const item = (type: string, id: number, title: string, text: string, more = '') =>
  `<item><title>${title}</title><content:encoded><![CDATA[${text}]]></content:encoded><x:post_id>${id}</x:post_id><x:post_name>${title.toLowerCase()}</x:post_name><x:status>publish</x:status><x:post_type>${type}</x:post_type>${more}</item>`
const sample = `<?xml version="1.0"?><rss version="2.0" xmlns:content="http://purl.org/rss/1.0/modules/content/" xmlns:x="http://export.example/"><channel>
<x:category><x:category_nicename>shore</x:category_nicename><x:cat_name>Shore</x:cat_name></x:category>
${item('post', 1, 'Limpet', '<p>It holds &amp; holds.</p>', '<x:post_date>2025-04-01 09:30:00</x:post_date><category domain="category" nicename="shore">Shore</category><category domain="post_tag" nicename="shell">Shell</category>')}
${item('page', 2, 'Rocks', '<p>They are grey.</p>')}
${item('page', 3, 'Pools', '<p>Look, do not take.</p>', '<x:post_parent>2</x:post_parent>')}
</channel></rss>`

export const sampleCases: readonly ConformanceCase[] = [
  {
    name: 'sample content is made through the interface, once, and goes again where nobody touched it',
    area: 'posts',
    needs: ['posts.categories', 'posts.tags', 'posts.date', 'pages.parent'],
    async run(site) {
      const plan = site.baseline({ samples: 'sample.xml', files: { 'sample.xml': sample } })
      const { settled } = await site.settledForGood(plan)
      assert.deepEqual([...settled].filter((ref) => ref.includes('/')).sort(), [
        'categories/shore',
        'pages/rocks',
        'pages/rocks/pools',
        'posts/limpet',
        'tags/shell',
      ])
      await site.confirmed(plan)
      // one of them is the owner's since they wrote into it
      const theirs = site.baseline({
        samples: 'sample.xml',
        files: { 'sample.xml': sample.replace('They are grey', 'They are blue') },
      })
      await site.settled(theirs, { state: `${site.provided.state}-theirs`, again: true })
      const none = await site.settled(site.baseline({ samples: 'none' }), { inUse: true })
      assert.deepEqual([...none.settled].sort(), [
        'categories/shore',
        'pages/rocks/pools',
        'posts/limpet',
        'tags/shell',
      ])
      assert.ok(none.comparison.kept.some(({ ref }) => ref === 'pages/rocks'))
    },
  },
]
