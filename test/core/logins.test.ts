import assert from 'node:assert/strict'
import { readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { test } from 'node:test'
import { armor, Decrypter } from 'age-encryption'
import { LoginsFile, Secret } from 'unpack'
import { folder } from '../help/folders.js'

const root = folder()
const phrase = new Secret('low water at nine')
const made = async (name: string) => {
  const logins = await LoginsFile.open(join(root, name), phrase, 4)
  await logins.put('http://127.0.0.1:4101/', 'marlow', new Secret('harbour-light-41'))
  return logins
}

test('what is stored comes back, in a file for its owner alone that shows nothing', async () => {
  const { file } = await made('a/logins.json')
  const text = readFileSync(file, 'utf8')
  assert.doesNotMatch(text, /marlow|harbour|127\.0\.0\.1/)
  assert.equal(statSync(file).mode & 0o777, 0o600)
  const again = await LoginsFile.open(file, phrase)
  assert.equal(again.find('http://127.0.0.1:4101/', 'marlow')?.password.reveal(), 'harbour-light-41')
  assert.equal(again.find('http://127.0.0.1:4102/', 'marlow'), undefined)
})

test('a wrong passphrase or a damaged file is said, and changes nothing', async () => {
  const { file } = await made('b.json')
  const before = readFileSync(file, 'utf8')
  await assert.rejects(LoginsFile.open(file, new Secret('high water')), { code: 'passphrase-wrong', exit: 4 })
  assert.equal(readFileSync(file, 'utf8'), before)
  for (const damaged of ['', '{}', before.slice(0, -40), before.replace(/"logins": "(.{100})./, '"logins": "$1X')]) {
    writeFileSync(file, damaged)
    await assert.rejects(LoginsFile.open(file, phrase), { code: 'logins-broken', exit: 4 })
    assert.equal(readFileSync(file, 'utf8'), damaged)
  }
})

test('one slow derivation opens it; a write takes milliseconds', async () => {
  const { file } = await made('c.json')
  const logins = await LoginsFile.open(file, phrase)
  const began = performance.now()
  for (let count = 0; count < 20; count += 1)
    await logins.put('http://127.0.0.1:4101/', `member${count}`, new Secret('x'))
  assert.ok((performance.now() - began) / 20 < 250)
  assert.equal((await LoginsFile.open(file, phrase)).list().length, 21)
  assert.equal(await logins.remove('http://127.0.0.1:4101/', 'marlow'), true)
  assert.equal(await logins.remove('http://127.0.0.1:4101/', 'marlow'), false)
  assert.equal((await LoginsFile.open(file, phrase)).list().length, 20)
})

test('it is plain age inside: the passphrase opens the key, the key opens the logins', async () => {
  const { file } = await made('d.json')
  const { key, logins } = JSON.parse(readFileSync(file, 'utf8')) as { key: string; logins: string }
  const opener = new Decrypter()
  opener.addPassphrase('low water at nine')
  const identity = await opener.decrypt(armor.decode(key), 'text')
  assert.match(identity, /^AGE-SECRET-KEY-1/)
  const reader = new Decrypter()
  reader.addIdentity(identity)
  assert.match(await reader.decrypt(armor.decode(logins), 'text'), /harbour-light-41/)
})

test('runs side by side lose nothing: every change reads what is on disk first', async () => {
  const { file } = await made('e.json')
  const [one, two] = await Promise.all([LoginsFile.open(file, phrase), LoginsFile.open(file, phrase)])
  await Promise.all([
    one.put('http://127.0.0.1:1/', 'kelp', new Secret('a')),
    two.put('http://127.0.0.1:2/', 'limpet', new Secret('b')),
  ])
  assert.deepEqual(
    (await LoginsFile.open(file, phrase)).list().map(({ username }) => username),
    ['kelp', 'limpet', 'marlow'],
  )
  // two that were begun as new: the second finds another's key, and leaves the file alone
  const [first, second] = await Promise.all([
    LoginsFile.open(join(root, 'f.json'), phrase, 4),
    LoginsFile.open(join(root, 'f.json'), phrase, 4),
  ])
  await first.put('http://127.0.0.1:1/', 'kelp', new Secret('a'))
  await assert.rejects(second.put('http://127.0.0.1:2/', 'limpet', new Secret('b')), { code: 'logins-changed' })
  assert.equal((await LoginsFile.open(join(root, 'f.json'), phrase)).list().length, 1)
})
