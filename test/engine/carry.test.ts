import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Shelf, Step, UnpackError, type Carrier, type Id, type Session, idOf, type IdOf } from 'unpack'
import { carry } from '../../src/engine/carrying/carry.js'

const session = { shelf: new Shelf() } as unknown as Session
type Fields = { name: string; needs?: readonly IdOf[] }

/** Carriers that note what they are sent, in one list for all. */
function harbour() {
  const sent: string[] = []
  let next = 10
  const carrier = (name: string, atOnce: number, refuses: readonly string[] = []): Carrier<Fields> => ({
    name,
    side: 'dashboard',
    atOnce,
    async carry(loads) {
      sent.push(
        `${name}: ${loads.map((load) => `${load.name}${load.needs ? `(${load.needs.join()})` : ''}`).join(' ')}`,
      )
      return loads.map((load) => (refuses.includes(load.name) ? { refused: 'no' } : { id: next++ }))
    },
  })
  const run = (steps: readonly Step[], ids = new Map<string, Id>()) =>
    carry(steps, {
      session,
      known: { ids, addresses: new Map() },
      secrets: {},
      before: () => undefined,
      after: () => undefined,
    })
  return { sent, carrier, run }
}
const step = (carrier: Carrier<Fields>, name: string, needs: readonly string[] = [], after?: readonly string[]): Step =>
  Step.of(carrier, { name, ...(needs.length > 0 && { needs: needs.map(idOf) }) }, { proves: [], gives: name, after })

test('one carrier gets all its ready steps at once, up to its limit, in their order', async () => {
  const { sent, carrier, run } = harbour()
  const many = carrier('many', 2)
  await run(['a', 'b', 'c'].map((name) => step(many, name)))
  assert.deepEqual(sent, ['many: a b', 'many: c'])
})

test('what a step needs comes before it, and its id is filled in', async () => {
  const { sent, carrier, run } = harbour()
  const many = carrier('many', 25)
  await run(
    [step(many, 'leaf', ['branch']), step(many, 'branch', ['root']), step(many, 'root')],
    new Map([['known', 7]]),
  )
  assert.deepEqual(sent, ['many: root', 'many: branch(10)', 'many: leaf(11)'])
})

test('a carrier that takes several waits while another holds up one of its own steps', async () => {
  const { sent, carrier, run } = harbour()
  const [many, single] = [carrier('many', 25), carrier('single', 1)]
  await run([step(many, 'first'), step(many, 'late', ['picture']), step(single, 'picture')])
  assert.deepEqual(sent, ['single: picture', 'many: first late(10)'])
})

test('if all wait, the one that most others wait for goes first', async () => {
  const { sent, carrier, run } = harbour()
  const [one, other] = [carrier('one', 9), carrier('other', 9)]
  await run([step(one, 'a'), step(one, 'b', ['x']), step(other, 'x'), step(other, 'y', ['a']), step(other, 'z', ['a'])])
  assert.deepEqual(sent, ['one: a', 'other: x y(10) z(10)', 'one: b(11)'])
})

test('what needs a refused step is held, and everything else goes on', async () => {
  const { sent, carrier, run } = harbour()
  const many = carrier('many', 9, ['root'])
  const held = await run([
    step(many, 'root'),
    step(many, 'branch', ['root']),
    step(many, 'leaf', ['branch']),
    step(many, 'other'),
  ])
  assert.deepEqual(sent, ['many: root other'])
  assert.deepEqual(
    [...held].map(([{ more }, why]) => [more.gives, why]),
    [
      ['branch', { lost: 'root' }],
      ['leaf', { lost: 'branch' }],
    ],
  )
})

test('a circle is an error before the first write', async () => {
  const { sent, carrier, run } = harbour()
  const many = carrier('many', 9)
  await assert.rejects(run([step(many, 'fine'), step(many, 'a', ['b']), step(many, 'b', [], ['a'])]), {
    code: 'steps-in-a-circle',
    exit: 2,
  })
  assert.deepEqual(sent, [])
})

test('a screen that is not as expected stops its carrier’s load alone', async () => {
  const { sent, carrier, run } = harbour()
  const strange: Carrier<Fields> = {
    ...carrier('strange', 9),
    carry: () => Promise.reject(UnpackError.of('screen-unexpected', { url: 'http://x/', wanted: 'the form' })),
  }
  const held = await run([step(strange, 'a'), step(carrier('fine', 9), 'b'), step(carrier('fine', 9), 'c', ['a'])])
  assert.deepEqual([sent, held.size], [['fine: b'], 1])
})

test('what pays a debt waits for every step that owes it', async () => {
  const { sent, carrier, run } = harbour()
  const [pays, owes] = [carrier('pays', 25), carrier('owes', 1)]
  const paying = Step.of(pays, { name: 'mend' }, { proves: [], pays: 'rights' })
  const owing = (name: string) => Step.of(owes, { name }, { proves: [], gives: name, owes: 'rights' })
  await run([paying, owing('kelp'), owing('limpet')])
  assert.deepEqual(sent, ['owes: kelp', 'owes: limpet', 'pays: mend'])
})
