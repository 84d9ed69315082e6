import assert from 'node:assert/strict'
import { after, test } from 'node:test'
import { formOn } from 'unpack'
import { folder } from '../help/folders.js'
import { runningForum, type RunningForum } from '../help/forum.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))
const start = () => runningForum(root, (one) => open.push(one))

/** Somebody at a browser: one cookie, and no redirects. */
function browser({ address }: RunningForum) {
  let cookie = ''
  const ask = async (place: string, form?: Record<string, string>) => {
    const answer = await fetch(new URL(place, address), {
      redirect: 'manual',
      headers: { cookie },
      ...(form && { method: 'POST', body: new URLSearchParams(form) }),
    })
    cookie = /sitting=[^;]+/.exec(answer.headers.get('set-cookie') ?? '')?.[0] ?? cookie
    return { status: answer.status, text: await answer.text() }
  }
  return {
    ask,
    enter: (username: string, password: string) => ask('enter', { username, password }),
    send: async (place: string, selector: string, fields: Record<string, string>) => {
      const form = formOn((await ask(place)).text, selector)
      assert.ok(form, `${selector} on ${place}`)
      return ask(form.action, { ...form.fields, ...fields })
    },
  }
}

test('too many wrong passwords lock an account for a while; the right one does not open it then', async () => {
  const forum = await start()
  Object.assign(forum.board.settings, { attempts: 3, lockMinutes: 30 })
  const somebody = browser(forum)
  for (let time = 0; time < 3; time += 1) assert.equal((await somebody.enter('boss', 'wrong')).status, 200)
  assert.match((await somebody.enter('boss', 'harbour-light-41')).text, /locked for a while/)
  const [boss] = forum.board.accounts
  if (boss) boss.lockedUntil = 0
  assert.equal((await somebody.enter('boss', 'harbour-light-41')).status, 303)
})

test('joining: the question has to be answered, a mail to be followed, or somebody of the staff to look', async () => {
  const forum = await start()
  Object.assign(forum.board.settings, { question: 'How many arms?', answers: ['five', '5'], approval: 'email' })
  const join = (username: string, answer: string) =>
    browser(forum).send('join', 'form#join', {
      username,
      email: `${username}@a.example`,
      password: 'ten letters',
      answer,
    })
  assert.equal((await join('crab', 'six')).status, 422)
  assert.equal((await join('crab', ' FIVE')).status, 200)
  const crab = browser(forum)
  assert.match((await crab.enter('crab', 'ten letters')).text, /not open yet/)
  const [mail = ''] = await forum.mails.mailsTo('crab@a.example', new Date(0))
  const link = /http:\S+activate\/\w+/.exec(mail)?.[0] ?? ''
  assert.equal((await crab.ask(link)).status, 200)
  assert.equal((await crab.ask(link)).status, 410)
  assert.equal((await crab.enter('crab', 'ten letters')).status, 303)
  forum.board.settings.approval = 'staff'
  await join('prawn', '5')
  assert.match((await browser(forum).enter('prawn', 'ten letters')).text, /not open yet/)
  forum.board.settings.joinOpen = false
  assert.match((await browser(forum).ask('join')).text, /Nobody can join/)
})

test('the dashboard is for administrators; members are sent to sign in', async () => {
  const forum = await start()
  const member = browser(forum)
  await member.send('join', 'form#join', { username: 'crab', email: 'crab@a.example', password: 'ten letters' })
  await member.enter('crab', 'ten letters')
  assert.equal((await member.ask('office')).status, 302)
  assert.equal((await member.ask('office/settings', { title: 'Mine' })).status, 302)
  assert.equal(forum.board.settings.title, 'Forum')
})

test('closed: nobody but administrators comes in, and the way to sign in stays open', async () => {
  const forum = await start()
  Object.assign(forum.board.settings, { open: false, notice: 'Back at high water' })
  const visitor = browser(forum)
  const shut = await visitor.ask('')
  assert.equal(shut.status, 503)
  assert.match(shut.text, /Back at high water/)
  assert.equal((await visitor.ask('forum/2')).status, 503)
  assert.equal((await visitor.enter('boss', 'harbour-light-41')).status, 303)
  assert.equal((await visitor.ask('')).status, 200)
})

test('who may do what: seen, read, written in; a locked forum is for the staff', async () => {
  const forum = await start()
  const [only] = forum.board.forums
  assert.ok(only)
  const visitor = browser(forum)
  assert.match((await visitor.ask('')).text, /data-may="see read"/)
  only.may.read = ['members', 'administrators']
  assert.equal((await visitor.ask('forum/2')).status, 403)
  only.may.see = ['members', 'administrators']
  assert.equal((await visitor.ask('forum/2')).status, 404)
  assert.doesNotMatch((await visitor.ask('')).text, /Test category/)

  const member = browser(forum)
  await member.send('join', 'form#join', { username: 'crab', email: 'crab@a.example', password: 'ten letters' })
  await member.enter('crab', 'ten letters')
  assert.equal((await member.send('forum/2', 'form#start', { title: 'Hello', text: 'There' })).status, 303)
  forum.board.settings.waitSeconds = 60
  const waits = await member.send('topic/3', 'form#reply', { text: 'Again' })
  assert.equal(waits.status, 429)
  Object.assign(forum.board.settings, { waitSeconds: 0, perHour: 1 })
  assert.match((await member.send('topic/3', 'form#reply', { text: 'Again' })).text, /enough for an hour/)
  only.locked = true
  assert.equal(formOn((await member.ask('forum/2')).text, 'form#start'), undefined)
  assert.equal((await member.ask('forum/2/start', { title: 'x', text: 'y', token: 'z' })).status, 403)
})

test('a form’s token is good for one sending', async () => {
  const forum = await start()
  const boss = browser(forum)
  await boss.enter('boss', 'harbour-light-41')
  const form = formOn((await boss.ask('office/groups/new')).text, 'form#edit')
  assert.ok(form)
  const send = (name: string) => boss.ask(form.action, { ...form.fields, name })
  assert.equal((await send('Divers')).status, 303)
  assert.equal((await send('Others')).status, 403)
  assert.deepEqual(
    forum.board.groups.map(({ name }) => name),
    ['Divers'],
  )
})
