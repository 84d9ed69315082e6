import assert from 'node:assert/strict'
import { existsSync } from 'node:fs'
import { after, test } from 'node:test'
import { compareSite, InMemory, settle, survey, Secret, Shelf, type Keeping, type Memory, type System } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { folder } from '../help/folders.js'
import { planned } from '../help/plan.js'
import { runningStandIn, type RunningStandIn } from '../help/sites.js'

const root = folder()
const open: RunningStandIn[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))
const stand = async () => {
  const standIn = await runningStandIn(root, { standing: 'first-run' })
  open.push(standIn)
  return standIn
}

/** The stand-in, as it would be if it told visitors no version. */
const silent = (version: string, proven: boolean): System => ({
  ...standInBlogSystem,
  recognise: async (look) => {
    const known = await standInBlogSystem.recognise(look)
    return known && { ...known, version: '', proven: undefined }
  },
  version: () => Promise.resolve({ version, proven }),
})

test('a version that visitors are not told is decided on after signing in', async () => {
  const standIn = await stand()
  const plan = planned(standIn.address)
  await settle(plan, { ...standIn.options, confirm: false })
  const seen = await survey(standIn.address, { systems: [silent('1.0', true)] })
  assert.deepEqual([seen.findings.system?.version, seen.findings.system?.proven], ['', undefined])

  const compared = await compareSite(plan, { ...standIn.options, systems: [silent('1.0', true)] })
  assert.deepEqual(compared.system, { id: 'stand-in-blog', name: 'Stand-in blog', version: '1.0', proven: true })
  const writes = standIn.requests.length
  const newer = { ...standIn.options, systems: [silent('9.9', false)] }
  await assert.rejects(settle(plan, newer), { code: 'not-proven', message: /9\.9/ })
  assert.ok(standIn.requests.length > writes)
  assert.equal((await settle(plan, { ...newer, unproven: true, confirm: false })).writes, 0)
})

test('where the form is anybody’s and no version is told, nothing is sent without the owner’s word', async () => {
  const standIn = await stand()
  const options = { ...standIn.options, systems: [silent('1.0', true)], confirm: false }
  await assert.rejects(settle(planned(standIn.address), options), { code: 'not-proven' })
  assert.deepEqual(
    standIn.requests.filter((line) => !line.startsWith('GET')),
    [],
  )
  assert.ok((await settle(planned(standIn.address), { ...options, unproven: true })).settled.includes('site'))
})

test('a first-run form that wants a login gets the host’s, and nothing is sent where that is refused', async () => {
  const standIn = await stand()
  const entered: string[] = []
  const guarded = {
    ...standInBlogSystem,
    enterFirstRun: (visitor, login) => {
      entered.push(login.username)
      const signedIn = { visitor, login, shelf: new Shelf(), signOut: () => Promise.resolve() }
      return Promise.resolve(login.password.reveal() === 'the-hosts-own' ? signedIn : undefined)
    },
  } as System
  const plan = planned(standIn.address, '', {}, 'username: marlow, email: marlow@quay.example, signInAs: boss')
  const options = { ...standIn.options, systems: [guarded], confirm: false }
  await assert.rejects(settle(plan, options), { code: 'login-missing' })
  await standIn.options.logins.put(standIn.address, 'boss', new Secret('wrong-one-here'))
  const before = standIn.requests.filter((line) => line.startsWith('POST')).length
  await assert.rejects(settle(plan, options), { code: 'login-refused' })
  assert.equal(standIn.requests.filter((line) => line.startsWith('POST')).length, before)
  assert.deepEqual(
    standIn.options.logins.at(standIn.address).map(({ username }) => username),
    ['boss'],
  )
  await standIn.options.logins.put(standIn.address, 'boss', new Secret('the-hosts-own'))
  const { settled } = await settle(plan, options)
  assert.ok(settled.includes('site'))
  assert.deepEqual([...new Set(entered)], ['boss'])
})

test('what is remembered and recorded may be kept anywhere: in memory, nothing reaches the disk, and a second run knows it all', async () => {
  const standIn = await stand()
  const memories = new Map<string, Memory>()
  const journal: string[] = []
  const keeping: Keeping = {
    memory: (address) => {
      const known = memories.get(address.origin) ?? new InMemory(address)
      memories.set(address.origin, known)
      return Promise.resolve(known)
    },
    record: () => ({
      folder: 'nowhere',
      journal: ({ event }) => void journal.push(event),
      keepCopy: (ref) => ref,
      keepFile: (ref) => ({
        name: ref,
        add: () => Promise.resolve(),
        end: () => ({ bytes: 0, sha256: '' }),
        drop: () => undefined,
      }),
      keepPage: (name) => name,
      report: () => void journal.push('report'),
      exchange: () => ({ add: () => undefined, end: () => void journal.push('exchange') }),
    }),
  }
  const rest = 'pages: [{ title: V, slug: visit, body: v.md }]'
  const run = (text: string) =>
    settle(planned(standIn.address, rest, { 'v.md': text }), { ...standIn.options, keeping, confirm: false })
  assert.equal((await run('Low water')).record, 'nowhere')
  const changed = await run('High water')
  assert.ok(changed.settled.includes('pages/visit'))
  assert.deepEqual(
    changed.comparison.kept.filter(({ ref }) => ref === 'pages/visit'),
    [],
  )
  assert.ok(['opened', 'begun', 'done', 'closed', 'report', 'exchange'].every((event) => journal.includes(event)))
  assert.ok(!existsSync(standIn.options.state) && !existsSync(standIn.options.records))
})
