import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { settle, undo, type Baseline } from 'unpack'
import { long } from '../help/long.js'
import { folder } from '../help/folders.js'
import { runningForum } from '../help/forum.js'
import { watchers } from '../help/watchers.js'

const root = folder()
const open: { close(): Promise<unknown> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const later = '2027-03-05T14:07:00.000Z'

test(
  'everything of a forum that goes is given back: groups, forums with their settings and access, topics, members',
  long,
  async () => {
    const site = await runningForum(root, (one) => open.push(one))
    const own = { ...site.options, confirm: false }
    const { board } = site
    await settle(watchers(site.address), own)
    const [crew, boats] = [board.next++, board.next++]
    board.groups.push({ id: crew, name: 'Crew', description: 'Those who row' })
    board.forums.push({
      ...{
        id: boats,
        category: board.categories[0]?.id ?? 1,
        title: 'Boats',
        description: 'What floats',
        locked: true,
        removeOldAfter: 90,
      },
      may: {
        ...(board.forums[0]?.may as NonNullable<(typeof board.forums)[0]>['may']),
        read: [`group ${crew}`, 'administrators'],
        see: [`group ${crew}`, 'administrators'],
      },
    })
    board.accounts.push({
      ...{
        id: board.next++,
        username: 'whelk',
        shown: 'whelk',
        email: 'whelk@quay.example',
        password: 'a-whelk-of-a-time',
      },
      ...{ made: later, role: 'member', groups: [crew], wrong: 0, lockedUntil: 0, lastPost: 0 },
    })
    const name = (who: string) => board.groups.find(({ id }) => who === `group ${id}`)?.name ?? who
    const state = () => ({
      groups: board.groups.map(({ name: own_, description }) => `${own_}: ${description}`).sort(),
      forums: board.forums
        .map(({ title, description, locked, removeOldAfter, may }) => ({
          title,
          description,
          locked,
          removeOldAfter,
          may: Object.entries(may).map(([action, who]) => [action, who.map(name).sort()]),
        }))
        .sort((a, b) => a.title.localeCompare(b.title)),
      members: board.accounts
        .map(({ username, email, groups }) => [username, email, groups.map((id) => name(`group ${id}`))])
        .sort(),
    })
    const before = state()
    const plan: Baseline = {
      ...watchers(site.address),
      gone: { forums: ['On the shore/Boats'], groups: ['Crew'], members: ['whelk'] },
    }
    const done = await settle(plan, { ...own, inUse: true })
    assert.deepEqual(done.failed, [])
    assert.ok(!JSON.stringify(state()).includes('whelk'))
    const { failed } = await undo(watchers(site.address), done.record ?? '', own)
    assert.deepEqual(failed, [])
    assert.deepEqual(state(), before)
    // the account is the old one but for its password, which is in the logins file now
    assert.notEqual(board.accounts.find(({ username }) => username === 'whelk')?.password, 'a-whelk-of-a-time')
    assert.ok(own.logins.find(site.address, 'whelk'))
  },
)
