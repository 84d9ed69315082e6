import assert from 'node:assert/strict'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { LoginsFile, Secret } from 'unpack'
import { long } from '../help/long.js'
import { cliLab, json } from '../help/cli-lab.js'
import { runningForum } from '../help/forum.js'
import { PASSPHRASE } from '../help/sites.js'
import { watchersCells, watchersText } from '../help/watchers.js'

const { root, env, run } = cliLab()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

test('compare, settle and confirm on a forum: who may do what, and what each may do where', long, async () => {
  const forum = await runningForum(root, (one) => open.push(one))
  const file = join(root, 'forum.yaml')
  writeFileSync(file, watchersText.replace('http://127.0.0.1:4102/', forum.address))
  const logins = await LoginsFile.open(env.UNPACK_LOGINS, new Secret(PASSPHRASE))
  await logins.put(forum.address, 'boss', new Secret('harbour-light-41'), { temporary: true })

  const compared = await run(['compare', file])
  assert.equal(compared.exit, 1)
  assert.match(compared.out, /who may do what\n.*\n\s+visitors\s+members\s+Survey\s+moderators\s+administrators/)
  assert.match(compared.out, /Surveys\/Raw counts\s+·\s+see\s+read, reply,\s+start, edit,\s+notice/)
  const { access } = json(await run(['compare', file, '--json']), 'compare') as { access: { forums: string[] }[] }
  assert.equal(access.length, 3)

  const settled = await run(['settle', file, '--yes', '--mail-folder', forum.mails.folder])
  assert.equal(settled.exit, 0, settled.out)
  assert.match(settled.out, /what each may do where/)
  // what is asked about shows the table, too
  assert.match(settled.err, /who may do what/)
  const looked = await run(['confirm', file, '--json'])
  const { eyes } = json(looked, 'confirm') as { eyes: { outcome: string }[] }
  assert.deepEqual(
    [looked.exit, eyes.length, eyes.every(({ outcome }) => outcome === 'passed')],
    [0, watchersCells, true],
  )

  // one cell is wrong: exit 1, and it is told which, in words and not by colour alone
  forum.board.forums.find(({ title }) => title === 'Raw counts')?.may.see.push('everyone')
  // somebody has opened it at the dashboard: that is told, and where the plan is expected it is wrong
  const told = await run(['confirm', file])
  assert.equal(told.exit, 0)
  assert.match(told.out.replace(/\s+/g, ' '), /see it of access to “Surveys\/Raw counts” was changed since: it stays/)
  const wrong = await run(['confirm', file, '--again'])
  assert.equal(wrong.exit, 1)
  assert.match(wrong.out, /✗ +“Surveys\/Raw counts” is as open to a visitor as planned\n +may see, and should not/)
  assert.match(wrong.out, /Surveys\/Raw counts +WRONG: see/)
})

test('the demo of a forum runs by itself and ends as planned', long, async () => {
  const ran = await run(['demo', 'forum'])
  assert.equal(ran.exit, 0, ran.out)
  assert.match(ran.out, /4 {2}Confirm: as a visitor, as members, and as the owner/)
  assert.match(ran.out, /\d\d checks, all passed\./)
})

test('a stand-in forum has no first-run form, and says so', async () => {
  const ran = await run(['stand-in', 'forum', '--standing', 'first-run'])
  assert.equal(ran.exit, 2)
  assert.match(ran.err, /installed with its owner: it is fresh, or in-use/)
})

test('mistakes in access: every one with its line, and nothing is asked of any site', async () => {
  const file = join(root, 'wrong-forum.yaml')
  writeFileSync(
    file,
    watchersText
      .replace('read: [Survey volunteers]', 'read: [Survey volunteer]')
      .replace('locked: true', 'locked: true, access: { start: members }'),
  )
  const ran = await run(['compare', file])
  assert.equal(ran.exit, 2)
  const said = ran.err.replace(/\s+/g, ' ')
  assert.match(
    said,
    /wrong-forum\.yaml:\d+:\d+: forums\[1\]\.forums\[0\]\.access\.start: the forum is locked, and members may start in it/,
  )
  assert.match(
    said,
    /wrong-forum\.yaml:\d+:\d+: forums\[1\]\.forums\[1\]\.access\.read\[0\]: no group of this file has that name/,
  )
})
