import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import { museum } from '../plans.js'

/** The smallest picture there is. */
const pixel = {
  bytes: Uint8Array.from(
    atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='),
    (letter) => letter.charCodeAt(0),
  ),
}

export const mediaCases: readonly ConformanceCase[] = [
  {
    name: 'files are uploaded once, known by their content, and go when the file says so',
    area: 'media',
    needs: ['pages.body', 'media.name'],
    async run(site) {
      const { bytes } = pixel
      const plan = (name: string, rest: object = {}) =>
        site.baseline({
          pages: [{ title: 'Pier', slug: 'pier', body: 'pier.md' }],
          files: { 'pier.md': `![The pier](<${name}>)\n`, [name]: bytes },
          ...rest,
        })
      const { settled } = await site.settledForGood(plan('boat лодка.png'))
      assert.equal(settled.filter((ref) => ref.startsWith('media/')).length, 1)
      const checks = await site.confirmed(plan('boat лодка.png'))
      assert.ok(checks.some(({ name, outcome }) => name === 'the page “Pier” shows its title' && outcome === 'passed'))
      const upload = settled.find((ref) => ref.startsWith('media/'))?.slice('media/'.length)
      await site.settledForGood(
        site.baseline({ pages: [{ title: 'Pier', slug: 'pier' }], gone: { uploads: [upload] } }),
      )
    },
  },
  {
    name: 'an upload is as closed as the most open page that shows it',
    area: 'media',
    needs: ['media.for', 'pages.for'],
    async run(site) {
      const closed = museum(site, { for: ['Volunteers'] })
      await site.settledForGood(closed)
      const refused = await site.visitorSees('media/')
      assert.deepEqual(refused, [false])
      await site.settledForGood(museum(site, {}))
      assert.deepEqual(await site.visitorSees('media/'), [true])
    },
  },
]
