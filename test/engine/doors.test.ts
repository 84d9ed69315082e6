import assert from 'node:assert/strict'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { confirm, MailFolder, settle, Secret, survey } from 'unpack'
import { standInMail } from '../../stand-ins/mail/server.js'
import type { StandInOptions } from '../../stand-ins/blog/server/index.js'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { folder } from '../help/folders.js'
import { serve } from '../help/pages.js'
import { planned } from '../help/plan.js'
import { runningStandIn, writesAt, type RunningStandIn, anywhere } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const stand = async (options: Partial<StandInOptions> = {}): Promise<RunningStandIn> => {
  const standIn = await runningStandIn(root, { standing: 'first-run', ...options })
  open.push(standIn)
  return standIn
}

test('a password in front of everything: told, and used when it is stored for it', async () => {
  const standIn = await stand({ door: { username: 'quay', password: 'low-tide' } })
  assert.match((await survey(standIn.address)).reasons.join(), /a password stands in front of it/)
  await assert.rejects(settle(planned(standIn.address), standIn.options), { code: 'cannot-open', exit: 4 })
  await standIn.options.logins.put(standIn.address, 'quay', new Secret('low-tide'), { door: true })
  const done = await settle(planned(standIn.address), standIn.options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
})

test('maintenance: told, and nothing is sent', async () => {
  const standIn = await stand({ standing: 'fresh' })
  standIn.blog.front = 'maintenance'
  const { standing, reasons } = await survey(standIn.address, { systems: [standInBlogSystem] })
  assert.equal(standing, 'unknown')
  assert.match(reasons.join(), /maintenance/)
  await assert.rejects(settle(planned(standIn.address), standIn.options), { code: 'cannot-open', exit: 4 })
  assert.equal(writesAt(standIn), 0)
})

test('a log-in page in front of everything: the site is settled, and each look of a visitor says why it fails', async () => {
  const standIn = await stand({ standing: 'fresh', owner: { username: 'marlow', password: 'harbour-light-41' } })
  await standIn.options.logins.put(standIn.address, 'marlow', new Secret('harbour-light-41'))
  standIn.blog.front = 'log-in'
  const done = await settle(planned(standIn.address), standIn.options)
  assert.deepEqual(done.failed, [])
  const title = done.checks.find(({ name }) => name === 'the front page shows the title')
  assert.match(title?.detail ?? '', /a log-in page stands in front of the site/)
  const plain = await serve({ '/': { status: 302, headers: { location: '/in' } }, '/in': '<input type="password">' })
  assert.match((await survey(plain.address)).reasons.join(), /a log-in page stands in front of it/)
})

test('a second step at log-in: said, and nothing is changed', async () => {
  const standIn = await stand({ standing: 'fresh', owner: { username: 'marlow', password: 'harbour-light-41' } })
  await standIn.options.logins.put(standIn.address, 'marlow', new Secret('harbour-light-41'))
  standIn.blog.secondStep = true
  await assert.rejects(settle(planned(standIn.address), standIn.options), { code: 'sign-in-challenge', exit: 4 })
  assert.equal(writesAt(standIn), 0)
})

test('a contact address that is asked for by mail: the link is followed; without the mails it is left to do', async () => {
  const mails = join(root, 'mails')
  const server = await standInMail(mails)
  open.push(server)
  const standIn = await stand({ mail: server.port })
  const plan = planned(standIn.address, '', {}, undefined, ', contact: desk@quay.example')
  const without = await settle(plan, { ...standIn.options, confirm: false })
  assert.deepEqual(
    without.failed.map(({ ref, text }) => [ref, /has sent a mail to desk@quay\.example/.test(text)]),
    [['site', true]],
  )
  const done = await settle(plan, { ...standIn.options, mailbox: new MailFolder(mails) })
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.equal(standIn.blog.settings.contact, 'desk@quay.example')
})

test('reached at one address today, at another later: settled here, its own address changed last, the login moves', async () => {
  const standIn = await stand()
  const later = standIn.address.replace('127.0.0.1', 'quay.example')
  const { port } = new URL(standIn.address)
  const resolve = () => ({ host: '127.0.0.1', port: Number(port) })
  const plan = planned(
    later,
    'pages: [{ title: Home, slug: home }]',
    {},
    undefined,
    `, reachedAt: "${standIn.address}"`,
  )
  const options = { ...standIn.options, systems: [anywhere(standInBlogSystem)], resolve, plainHttp: true }
  const done = await settle(plan, options)
  assert.deepEqual([done.failed, done.checks.filter(({ outcome }) => outcome === 'failed')], [[], []])
  assert.equal(standIn.blog.settings.address, later)
  const posts = standIn.requests.filter((line) => line.startsWith('POST /office'))
  assert.equal(posts.at(-1), 'POST /office/settings')
  assert.ok(options.logins.find(later, 'marlow'))
  // from now on the site leads to its own address, and that is where it is settled and confirmed
  await assert.rejects(settle(plan, options), { code: 'address-leads-elsewhere', exit: 2 })
  const there = planned(later, 'pages: [{ title: Home, slug: home }]')
  assert.equal((await settle(there, { ...options, confirm: false })).writes, 0)
  assert.equal((await confirm(there, options)).failed, 0)
})
