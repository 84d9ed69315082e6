import assert from 'node:assert/strict'
import { test } from 'node:test'
import { compare, type Inventory } from 'unpack'
import { Agenda } from '../../src/engine/settling/agenda.js'
import { planned } from '../help/plan.js'

test('what a run has begun on and the site has not got is a failure: nothing that comes last goes on behind it', () => {
  const plan = planned('http://quay.example/', 'menus: { attic: [] }')
  const there: Inventory = { menus: [] }
  const before = compare(plan, there)
  const agenda = new Agenda(before, there, before.differences)
  assert.equal(agenda.stuck, undefined)
  // the theme was put to use meanwhile, and tells its places
  agenda.read(compare(plan, there, { choices: () => ['main'] }), there)
  assert.equal(agenda.stuck, 'menus/attic')
  const [attic] = before.differences
  assert.ok(attic)
  const { outcome, code, text } = agenda.fateOf(attic)
  assert.deepEqual([outcome, code], ['failed', 'not-here'])
  assert.match(text ?? '', /no place “attic”; it has: main$/)
  // where it was known from the beginning, nothing was begun
  const known = compare(plan, there, { choices: () => ['main'] })
  assert.equal(new Agenda(known, there, known.differences).stuck, undefined)
})
