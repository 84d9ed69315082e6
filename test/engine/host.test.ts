import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { compareSite, readBaseline, settle } from 'unpack'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn } from '../help/sites.js'

/* What a host adds to a site before its owner gets it. */

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

/** A set-up blog on which a host has put an add-on and a theme. */
async function hosted() {
  const site = await runningStandIn(root, { standing: 'first-run' })
  open.push(site)
  const quiet = { ...site.options, confirm: false }
  await settle(planned(site.address), quiet)
  const made = { version: '2.0', automatic: false }
  site.blog.addOns.push({ ...made, id: 900, name: 'harbour-mail', active: true })
  site.blog.themes.push({ ...made, id: 901, name: 'harbour-look', active: false })
  return { ...site, quiet }
}
const names = ({ blog }: Awaited<ReturnType<typeof hosted>>) =>
  [...blog.addOns, ...blog.themes].map(({ name }) => name).filter((name) => name.startsWith('harbour'))

test('an add-on and a theme of the host’s make no site in use: what shipped goes, they stay and are reported', async () => {
  const site = await hosted()
  const plan = planned(site.address, 'shipped: remove')
  const { comparison } = await compareSite(plan, site.quiet)
  assert.deepEqual(
    [comparison.others, comparison.extras.map(({ ref }) => ref)],
    [[], ['theme/harbour-look', 'addOns/harbour-mail']],
  )
  const done = await settle(plan, site.quiet)
  assert.deepEqual([done.failed, done.settled.includes('posts/a-first-post')], [[], true])
  assert.deepEqual(names(site), ['harbour-mail', 'harbour-look'])
  const next = await settle(plan, site.quiet)
  assert.deepEqual([next.failed, next.writes, next.comparison.extras.length], [[], 0, 2])
})

test('the file removes them by name, or all that it does not name', async () => {
  for (const remove of [
    'gone: { addOns: [harbour-mail], theme: [harbour-look] }',
    'only: [addOns, theme]\ntheme: { use: plain }',
  ]) {
    const site = await hosted()
    const done = await settle(planned(site.address, remove), site.quiet)
    assert.deepEqual([done.failed, done.comparison.extras, names(site)], [[], [], []], remove)
  }
})

test('only: [theme] needs a theme in the file', () => {
  assert.throws(
    () =>
      readBaseline(
        'unpack: 1\nsite: { address: "http://quay.example/", title: Quay }\nowner: { username: marlow, email: ines@quay.example }\nonly: [theme]',
      ),
    {
      code: 'baseline-wrong',
      lines: [
        'baseline.yaml:4:7: only: the file names no theme. Expected: one, or an “only” without theme. Example: theme: { use: lantern }',
      ],
    },
  )
})
