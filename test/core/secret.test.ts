import assert from 'node:assert/strict'
import { inspect, format } from 'node:util'
import { test } from 'node:test'
import { makePassword, Secret } from 'unpack'

test('a secret prints as dots everywhere', () => {
  const secret = new Secret('harbour-light')
  const printed = [
    String(secret),
    [secret].join(),
    JSON.stringify({ secret }),
    inspect(secret),
    inspect({ deep: [secret] }),
    format('%s %o', secret, secret),
    Object.values(secret).join(),
    new URLSearchParams({ a: secret as unknown as string }).toString(),
  ]
  for (const text of printed) assert.doesNotMatch(text, /harbour/)
  assert.equal(secret.reveal(), 'harbour-light')
})

test('made passwords are long, of several sorts, and never the same', () => {
  const made = Array.from({ length: 200 }, () =>
    makePassword({ length: 12, characters: 'ABCDEFGHabcdefgh234567' }).reveal(),
  )
  assert.equal(new Set(made).size, 200)
  for (const password of made) assert.match(password, /^(?=.*[a-z])(?=.*[A-Z])(?=.*[0-9])[A-Za-z0-9]{20}$/)
})
