import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { Secret, settle, type System } from 'unpack'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent } from '../../stand-ins/content/server/index.js'
import type { Account } from '../../stand-ins/content/server/model.js'
import { may } from '../../stand-ins/content/server/reading.js'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { museumBaseline } from '../help/museum.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const later = '2027-03-05T14:07:00.000Z'

async function museum(change?: (text: string) => string) {
  const site = standInContent({ base: '/museum/' })
  open.push(site)
  const address = await site.listen(0)
  const folders = await ownFolders(root)
  await folders.logins.put(address, 'keeper', new Secret('harbour-light-41'))
  const options = { systems: [standInContentSystem as System], ...folders, confirm: false }
  const { content } = site
  const account = (username: string) => content.accounts.find((one) => one.username === username)
  const inGroup = (username: string, name: string) =>
    account(username)?.groups.includes(content.groups.find((one) => one.name === name)?.id ?? -1) ?? false
  const reads = (username: string, slug: string) => {
    const page = content.pages.find((one) => one.slug === slug)
    return page !== undefined && may(content, account(username), 'read', page)
  }
  await settle(museumBaseline(address, change), options)
  return { content, address, options, account, inGroup, reads }
}

test('who is taken out of a group in the file leaves it, and looks for themselves; memberships that others gave stay', async () => {
  const { content, address, options, account, inGroup, reads } = await museum()
  assert.deepEqual([inGroup('hemp', 'Volunteers'), reads('hemp', 'rota')], [true, true])
  // the owner has put hemp into a group of their own
  const own = { id: content.next++, name: 'Friends', description: 'Of the owner' }
  content.groups.push(own)
  account('hemp')?.groups.push(own.id)
  const plan = museumBaseline(address, (text) =>
    text
      .replace('email: hemp@ropewalk.example, groups: [Volunteers] }', 'email: hemp@ropewalk.example }')
      .replace('as: member hemp, refused: false', 'as: member hemp, refused: true'),
  )
  const done = await settle(plan, { ...options, inUse: true, confirm: true })
  assert.deepEqual(done.failed, [])
  assert.ok(done.settled.includes('members/hemp'))
  assert.deepEqual(
    [inGroup('hemp', 'Volunteers'), inGroup('hemp', 'Friends'), reads('hemp', 'rota')],
    [false, true, false],
  )
  assert.ok(done.eyes.some(({ as, at, outcome }) => as === 'member hemp' && at === 'rota' && outcome === 'passed'))
  const next = await settle(plan, { ...options, inUse: true })
  assert.deepEqual([next.writes, next.comparison.differences], [0, []])
})

test('whom the owner has taken out of a group by hand stays out', async () => {
  const { address, options, account, inGroup } = await museum()
  const hemp = account('hemp')
  if (hemp) hemp.groups = []
  const done = await settle(museumBaseline(address), options)
  assert.deepEqual([done.writes, inGroup('hemp', 'Volunteers')], [0, false])
  assert.deepEqual(done.comparison.theirKeys, ['members/hemp#groups'])
})

test(
  'an account of ours whose address someone changed, or whose password is no longer ours, is let into no more without its name',
  long,
  async () => {
    for (const change of [
      (tar: Account) => Object.assign(tar, { email: 'crow@harbour.example' }),
      (tar: Account) => Object.assign(tar, { password: 'a-shell-of-ones-own' }),
    ]) {
      const { address, options, account, inGroup } = await museum()
      const tar = account('tar')
      assert.ok(tar)
      change(tar)
      const plan = museumBaseline(address, (text) =>
        text
          .replace('email: tar@ropewalk.example }', 'email: tar@ropewalk.example, groups: [Volunteers] }')
          .replace('as: member tar, refused: true', 'as: member tar, refused: false'),
      )
      const shut = await settle(plan, options)
      assert.deepEqual([shut.open.map(({ ref }) => ref), inGroup('tar', 'Volunteers')], [['members/tar'], false])
      await settle(plan, { ...options, open: ['members/tar'] })
      assert.ok(inGroup('tar', 'Volunteers'))
    }
  },
)

test('a group that we did not make gets nothing as long as an account is in it that the plan puts elsewhere, or that is not ours', async () => {
  const { content, address, options } = await museum()
  const group = { id: content.next++, name: 'Keepers', description: 'Of the rope' }
  content.groups.push(group)
  content.accounts.find(({ username }) => username === 'tar')?.groups.push(group.id)
  const plan = museumBaseline(address, (text) =>
    text
      .replace('  - { name: Volunteers,', '  - { name: Keepers, description: Of the rope }\n  - { name: Volunteers,')
      .replace(
        '  - { title: Imprint,',
        '  - { title: Loft, slug: loft, body: pages/rota.md, for: [Keepers] }\n  - { title: Imprint,',
      ),
  )
  const done = await settle(plan, { ...options, inUse: true })
  assert.match(done.comparison.byHand.map(({ text }) => text).join(), /holds members whom the plan does not know: tar/)
  assert.ok(!content.pages.some(({ slug }) => slug === 'loft'))
})

test('of two groups of one name only the one that we made is ours: it alone is let in', async () => {
  const { content, address, options } = await museum()
  const [ours] = content.groups
  // someone's second group stands before it in every list
  content.groups.unshift({ id: 3, name: 'Volunteers', description: 'Of the choir' })
  const tar = content.accounts.find(({ username }) => username === 'tar') as Account
  content.accounts.push({ ...tar, id: 90, username: 'whelk', email: 'whelk@harbour.example', made: later, groups: [3] })
  const plan = museumBaseline(address, (text) =>
    text.replace(
      '  - { title: Imprint,',
      '  - { title: Loft, slug: loft, body: pages/rota.md, for: [Volunteers] }\n  - { title: Imprint,',
    ),
  )
  const done = await settle(plan, { ...options, inUse: true })
  assert.deepEqual([done.failed, done.comparison.byHand], [[], []])
  assert.deepEqual(content.pages.find(({ slug }) => slug === 'loft')?.shared.read, [`group ${ours?.id ?? 0}`])
})

test('a site from which everything that we made was removed is still the same site: its owner’s edits stay', async () => {
  const { content, address, options } = await museum()
  content.settings.title = 'By hand'
  for (const room of ['pages', 'news', 'events', 'groups', 'uploads'] as const) content[room] = []
  content.accounts = content.accounts.filter(({ role }) => role === 'manager')
  const done = await settle(museumBaseline(address), { ...options, inUse: true })
  assert.ok(done.comparison.theirKeys.includes('site#title'))
  assert.equal(content.settings.title, 'By hand')
})
