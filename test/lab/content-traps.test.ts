import assert from 'node:assert/strict'
import { readdirSync } from 'node:fs'
import { test } from 'node:test'
import { builtIn, compareSite, confirm, formOn, Secret, settle, type Baseline } from 'unpack'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { keeper, labContent, madeSite } from '../help/lab-content.js'
import { museumBaseline } from '../help/museum.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

const root = folder()
const content = await labContent('content-traps')

const made = () => madeSite(content, root)
const FORM = 'POST /acl_users/users/manage_updateUserPassword'

/** Whether a password opens the whole server. */
const opens = async (password: string): Promise<boolean> => {
  const authorization = `Basic ${Buffer.from(`${keeper.username}:${password}`).toString('base64')}`
  const answer = await fetch(`${content.origin}/@sites`, { headers: { authorization, accept: 'application/json' } })
  return answer.status === 200 && ((await answer.json()) as { can_manage: boolean }).can_manage
}

test('what pretends on this system: answers that look like success, and what Unpack makes of them', async () => {
  const { address, options } = await made()
  const plain = (init: Omit<RequestInit, 'headers'> & { headers?: Record<string, string> }, place = '') =>
    fetch(`${address}${place}`, {
      ...init,
      redirect: 'manual',
      headers: { authorization: `Basic ${btoa(`${keeper.username}:${keeper.password}`)}`, ...init.headers },
    })
  const title = async () => ((await (await content.ask('GET', address)).json()) as { title: string }).title
  // without asking for JSON, a change is answered with 200 and not saved
  const unsaved = await plain({
    method: 'PATCH',
    body: JSON.stringify({ title: 'Lost' }),
    headers: { 'content-type': 'application/json', accept: 'text/html' },
  })
  assert.deepEqual([unsaved.status, await title()], [200, 'A site'])
  // a form without its token is answered as usual, and rolled back
  await content.ask('POST', address, { '@type': 'Document', id: 'first', title: 'First' })
  const form = { 'content-type': 'application/x-www-form-urlencoded' }
  const rolled = await plain({ method: 'POST', body: 'id=first', headers: form }, '@@fc-setDefaultPage')
  assert.match(await rolled.text(), /success/)
  const fronts = (await (await content.ask('GET', `${address}@search?is_default_page=1`)).json()) as {
    items_total: number
  }
  assert.equal(fronts.items_total, 0)
  // a key that does nothing is answered like one that does
  assert.equal((await content.ask('PATCH', address, { default_page: 'first' })).status, 204)
  assert.equal((await content.ask('POST', `${address}@addons/no.such/install`)).status, 204)
  // any text for a logo breaks every page
  await content.ask('PATCH', `${address}@controlpanels/site`, { site_logo: 'logo.png' })
  assert.equal((await fetch(address)).status, 500)
  await content.ask('PATCH', `${address}@controlpanels/site`, { site_logo: null })
  assert.equal((await fetch(address)).status, 200)
  // whoever looks after the server gets the password itself as a cookie, which is why it is never signed in so
  const cookie = await plain(
    {
      method: 'POST',
      body: `__ac_name=${keeper.username}&__ac_password=${keeper.password}&buttons.login=1`,
      headers: form,
    },
    'login',
  )
  const held = decodeURIComponent(/__ac="?([^";]+)/.exec(cookie.headers.get('set-cookie') ?? '')?.[1] ?? '')
  const [, secret = ''] = Buffer.from(held, 'base64').toString('latin1').split(':')
  assert.equal(Buffer.from(secret, 'hex').toString(), keeper.password)
  // all of this, and the site is settled and seen as planned
  const done = await settle(museumBaseline(address), { ...options, inUse: true })
  assert.deepEqual([done.failed, failed(done.checks).filter((text) => !/pages\/first/.test(text))], [[], []])
  assert.ok(readdirSync(done.record ?? '').includes('report.html'))
})

test('without what this system wants said it pretends to save: nothing of that is believed, and the next run heals it', async () => {
  const { address, options } = await made()
  const plan = (description: string, sidebars: object) =>
    planned(
      address,
      `sidebars: ${JSON.stringify(sidebars)}`,
      {},
      'username: marlow, email: ines@ropewalk.example, signInAs: boss',
      `, description: ${description}`,
    )
  const run = (baseline: Baseline) => settle(baseline, { ...options, confirm: false })
  await run(plan('Rope', {}))
  // a change that does not ask for JSON
  content.before.alter = ({ method, headers }, body) => {
    if (method === 'PATCH') headers.accept = 'text/html'
    return body
  }
  const unsaved = await run(plan('Tar', {}))
  assert.deepEqual(
    unsaved.failed.map(({ ref }) => ref),
    ['site'],
  )
  // forms without their token
  content.before.alter = (_asked, body) => body.replace(/_authenticator(=|"\r\n\r\n)[^&\r]*/g, '_nothing$1')
  const rolledBack = await run(plan('Rope', { left: ['search'], right: ['search'] }))
  assert.deepEqual(rolledBack.failed.map(({ ref }) => ref).sort(), ['sidebars/left', 'sidebars/right'])
  content.before.alter = undefined
  const healed = await run(plan('Tar', { left: ['search'], right: ['search'] }))
  assert.deepEqual([healed.failed, healed.settled.length > 0], [[], true])
})

test('what Unpack keeps away from: the name under which the theme is left away, and the form that closes all pages again', async () => {
  const { address, options } = await made()
  assert.deepEqual((await settle(museumBaseline(address), { ...options, confirm: false, inUse: true })).failed, [])
  const wears = async (at: string) => (await (await fetch(at)).text()).includes('<div id="middle">')
  const direct = (host: string) => `http://${host}:${content.port}${new URL(address).pathname}`
  assert.deepEqual([await wears(direct('localhost')), await wears(direct('127.0.0.1'))], [true, false])
  // another workflow for a type: whatever was published is private, and the site says that it has saved
  const opens = async () => (await fetch(`${address}visit/hours`, { redirect: 'manual' })).status
  assert.equal(await opens(), 200)
  const authorization = `Basic ${btoa(`${keeper.username}:${keeper.password}`)}`
  const place = `${address}@@content-controlpanel`
  const headers = { authorization, accept: 'text/html' }
  const has = 'form:has(select[name=new_workflow])'
  const choose = async (workflow: string) => {
    const send = (body: URLSearchParams) => fetch(place, { method: 'POST', headers, body })
    const shown = await (await fetch(`${place}?type_id=Document`, { headers })).text()
    const chosen = { ...formOn(shown, has)?.fields, new_workflow: workflow, 'form.button.SelectWorkflow': '1' }
    const asked = await (await send(new URLSearchParams(chosen))).text()
    await send(new URLSearchParams([...(formOn(asked, has)?.pairs ?? []), ['form.button.Save', 'Save']]))
  }
  await choose('intranet_workflow')
  assert.equal(await opens(), 302)
  // seen, told page by page, and mended as soon as the site has a way to publish again
  const seen = failed((await confirm(museumBaseline(address), { ...options, again: true })).checks)
  assert.ok(
    seen.some((one) => one.startsWith('the page “Opening hours”')),
    seen.join(),
  )
  const refused = await settle(museumBaseline(address), { ...options, confirm: false, again: true })
  assert.ok(refused.failed.some(({ ref, code }) => ref === 'pages/visit/hours' && code === 'refused-by-site'))
  await choose('(Default)')
  const mended = await settle(museumBaseline(address), { ...options, again: true })
  assert.deepEqual([mended.failed, failed(mended.checks)], [[], []])
  assert.equal(await opens(), 200)
})

test('the temporary password for a real server: left while it opens other sites, then renewed once, also behind a lost answer', async () => {
  for (const one of await content.sites()) await content.remove(one)
  const [address, other] = [content.next(), content.next()]
  await content.make(other)
  const folders = await ownFolders(root)
  await folders.logins.put(address, keeper.username, new Secret(keeper.password), { temporary: true })
  const options = { systems: builtIn, confirm: false, ...folders }
  const plan = (at = address) => planned(at, '', {}, 'username: marlow, signInAs: boss, email: ines@quay.example')
  const stored = () => folders.logins.find(address, keeper.username)

  const shared = await settle(plan(), options)
  assert.deepEqual([shared.failed, shared.comparison.byHand.map(({ ref }) => ref)], [[], ['owner.server']])
  assert.ok((await opens(keeper.password)) && stored()?.temporary)

  // at an address from which the server is not to be reached, nobody knows who else is there
  const mapped = await content.mapped(address)
  await folders.logins.put(mapped, keeper.username, new Secret(keeper.password), { temporary: true })
  const own = folders.logins.find(address, 'marlow')?.password ?? new Secret('')
  await folders.logins.put(mapped, 'marlow', own)
  const told = (await compareSite(plan(mapped), options)).comparison.byHand
  assert.match(
    told.find(({ ref }) => ref === 'owner.server')?.text ?? '',
    /does not open that server from this address/,
  )

  await content.remove(other)
  content.before.trouble([{ at: FORM, is: 'reset after' }])
  const lost = await settle(plan(), options)
  assert.deepEqual([lost.failed, stored()?.temporary], [[], undefined])
  assert.ok(!(await opens(keeper.password)))
  const sent = content.before.passed.length
  const done = await settle(plan(), options)
  assert.deepEqual([done.failed, done.comparison.byHand], [[], []])
  assert.ok(!content.before.passed.slice(sent).some(({ method, url }) => FORM === `${method} ${url}`))
  assert.deepEqual([stored()?.temporary, await opens(stored()?.password.reveal() ?? '')], [undefined, true])
  const before = content.before.passed.length
  assert.equal((await settle(plan(), options)).writes, 0)
  assert.ok(!content.before.passed.slice(before).some(({ url }) => !url.startsWith(new URL(address).pathname)))
})
