import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'
import type { ConformanceSite } from '../site.js'

const themed = (site: ConformanceSite, rest: object = {}) =>
  site.baseline({
    theme: { use: site.provided.archives.theme.use, from: 'theme.zip' },
    files: { 'theme.zip': site.provided.archives.theme.bytes },
    ...rest,
  })
const withAddOn = (site: ConformanceSite, options: object, rest: object = {}) =>
  site.baseline({
    addOns: [{ use: site.provided.archives.addOn.use, from: 'add-on.zip', ...options }],
    files: { 'add-on.zip': site.provided.archives.addOn.bytes },
    ...rest,
  })

export const packageCases: readonly ConformanceCase[] = [
  {
    name: 'a theme from an archive is installed and put to use; shipped ones that are not in use go',
    area: 'theme',
    needs: ['theme.use', 'theme.active'],
    async run(site) {
      const plan = themed(site, { shipped: { theme: 'remove' } })
      const { settled } = await site.settledForGood(plan)
      assert.ok(settled.includes(`theme/${site.provided.archives.theme.use}`))
      const checks = await site.confirmed(plan)
      assert.ok(checks.some(({ name }) => name.startsWith('visitors see the theme')))
    },
  },
  {
    name: 'shipped themes go, but never the one in use',
    area: 'theme',
    needs: ['theme.use'],
    async run(site) {
      const plan = site.baseline({ shipped: { theme: 'remove' } })
      const { settled, comparison } = await site.settledForGood(plan)
      const shipped = site.system.areas.theme?.ships?.(plan) ?? []
      assert.ok(shipped.length === 1 || settled.some((ref) => ref.startsWith('theme/')))
      assert.equal(comparison.kept.filter(({ ref }) => ref.startsWith('theme/')).length, 1)
      await site.confirmed(plan)
    },
  },
  {
    name: 'an archive that the system can’t use is told, and the theme in use stays',
    area: 'theme',
    needs: ['theme.use'],
    async run(site) {
      const plan = site.baseline({ theme: { use: 'nowhere-to-be-found' } })
      const { failed } = await site.settle(plan)
      assert.deepEqual(
        failed.map(({ ref }) => ref),
        ['theme/nowhere-to-be-found'],
      )
      assert.match(failed[0]?.text ?? '', /catalogue/)
      await site.confirmed(site.baseline())
    },
  },
  {
    name: 'an add-on from an archive works, rests, and goes when the file says so; shipped ones go',
    area: 'addOns',
    needs: ['addOns.use', 'addOns.active'],
    async run(site) {
      const { use } = site.provided.archives.addOn
      await site.settledForGood(withAddOn(site, {}, { shipped: { addOns: 'remove' } }))
      const { settled } = await site.settledForGood(withAddOn(site, { active: false }))
      assert.deepEqual(settled, [`addOns/${use}`])
      await site.settledForGood(site.baseline({ gone: { addOns: [use] } }))
    },
  },
  {
    name: 'whether an add-on updates itself',
    area: 'addOns',
    needs: ['addOns.updates'],
    async run(site) {
      await site.settledForGood(withAddOn(site, { updates: 'automatic' }))
      await site.settledForGood(withAddOn(site, { updates: 'by hand' }))
    },
  },
  {
    name: 'files are uploaded once, known by their content, and go when the file says so',
    area: 'media',
    needs: ['pages.body', 'media.name'],
    async run(site) {
      const { bytes } = pixel
      const plan = (name: string, rest: object = {}) =>
        site.baseline({
          pages: [{ title: 'Pier', slug: 'pier', body: 'pier.md' }],
          files: { 'pier.md': `![The pier](${name})\n`, [name]: bytes },
          ...rest,
        })
      const { settled } = await site.settledForGood(plan('pier.png'))
      assert.equal(settled.filter((ref) => ref.startsWith('media/')).length, 1)
      const checks = await site.confirmed(plan('pier.png'))
      assert.ok(checks.some(({ name }) => name === 'the page “Pier” shows its text'))
      const upload = settled.find((ref) => ref.startsWith('media/'))?.slice('media/'.length)
      await site.settledForGood(
        site.baseline({ pages: [{ title: 'Pier', slug: 'pier' }], gone: { uploads: [upload] } }),
      )
    },
  },
]

/** The smallest picture there is. */
const pixel = {
  bytes: Uint8Array.from(
    atob('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg=='),
    (letter) => letter.charCodeAt(0),
  ),
}
