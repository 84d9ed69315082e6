import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { compareSite, settle } from 'unpack'
import { failed } from '../help/failed.js'
import { folder } from '../help/folders.js'
import { labContent, madeSite } from '../help/lab-content.js'
import { museumFolder } from '../help/museum.js'
import { planned } from '../help/plan.js'

const root = folder()
const content = await labContent('content-places')

const made = () => madeSite(content, root)
const marlow = 'username: marlow, email: ines@ropewalk.example, signInAs: boss'

test('what somebody closed where uploads and news have their place stays closed, and so does all that is in it', async () => {
  const { address, options } = await made()
  const put = (place: string, fields: object) => content.ask('POST', `${address}${place}`, fields)
  const text = { data: btoa('wages'), encoding: 'base64', filename: 'wages.txt', 'content-type': 'text/plain' }
  for (const id of ['files', 'news']) await put('', { '@type': 'Folder', id, title: `Our own ${id}` })
  await put('files', { '@type': 'File', id: 'wages.txt', title: 'Wages', file: text })
  await put('news', { '@type': 'Document', id: 'draft', title: 'Not yet' })
  const status = async (place: string) => (await fetch(`${address}${place}`, { redirect: 'manual' })).status
  const closed = () => Promise.all(['files', 'files/wages.txt', 'news', 'news/draft'].map(status))
  assert.deepEqual(await closed(), [302, 302, 302, 302])
  const rope = readFileSync(join(museumFolder, 'files/rope.png'))
  const plan = planned(
    address,
    'pages: [{ title: Hall, slug: hall, body: hall.md }]\nposts: [{ title: Tar, slug: tar }]',
    { 'hall.md': 'The hall.\n\n![A rope](rope.png)\n', 'rope.png': rope },
    marlow,
  )
  const done = await settle(plan, { ...options, inUse: true })
  assert.deepEqual(await closed(), [302, 302, 302, 302])
  const refused = done.failed.map(({ ref, text: why }) => `${ref.replace(/-\w+$/, '')}: ${why}`)
  assert.deepEqual(
    refused.filter((one) => /“(files|news)” is closed, .*open it by hand/.test(one)).length,
    2,
    refused.join('\n'),
  )
  // opened by whoever closed them, all of it can be settled
  for (const id of ['files', 'news']) await put(`${id}/@workflow/publish`, {})
  const again = await settle(plan, { ...options, inUse: true })
  assert.deepEqual([again.failed, failed(again.checks)], [[], []])
  assert.equal(await status('news/draft'), 302)
})

test('a page where uploads have their place, and one that would close the news below it, are told before anything is sent', async () => {
  const { address, options } = await made()
  const wrong = planned(
    address,
    'pages:\n  - { title: Papers, slug: files }\n  - { title: Way in, slug: login }\n  - { title: Über uns, slug: über-uns }\n  - { title: Latest, slug: news, state: draft }\nposts: [{ title: Tar, slug: tar }]',
    {},
    marlow,
  )
  const told = (await compareSite(wrong, options)).comparison.never
  assert.deepEqual(
    told.map(({ ref, text }) => `${ref}: ${text}`),
    [
      'pages/files: slug of the page “Papers”: uploads stand at that address here; take another',
      'pages/login: slug of the page “Way in”: who signs in passes that address, and would find the page there; take another',
      'pages/über-uns: slug of the page “Über uns”: addresses take the letters a to z, digits and hyphens alone on this system: “uber-uns” would do',
      'pages/news: state of the page “Latest”: what visitors are to find stands below it here, and would be closed with it',
    ],
  )
  // nothing to tell where nothing stands below it
  const right = planned(address, 'pages: [{ title: Latest, slug: news, state: draft }]', {}, marlow)
  assert.deepEqual((await compareSite(right, options)).comparison.never, [])
  // what such a page does to a site: whoever wants to sign in is led round in a circle
  const signIn = () => fetch(`${address}login`, { redirect: 'manual' })
  assert.match(await (await signIn()).text(), /name="__ac_password"/)
  await content.ask('POST', address, { '@type': 'Document', id: 'login', title: 'Way in' })
  assert.match((await signIn()).headers.get('location') ?? '', /require_login/)
  await content.ask('DELETE', `${address}login`)
  // a page without a text lists what stands below it
  const listing = planned(
    address,
    'pages: [{ title: Latest, slug: news }]\nposts: [{ title: Tar, slug: tar }]',
    {},
    marlow,
  )
  assert.deepEqual((await settle(listing, { ...options, inUse: true })).failed, [])
  const shown = await (await fetch(`${address}news`)).text()
  assert.match(shown, /<h1[^>]*>Latest</)
  assert.match(shown, /href="[^"]*\/news\/tar"/)
})
