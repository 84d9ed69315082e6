import assert from 'node:assert/strict'
import { test } from 'node:test'
import type { Action } from '../../src/core/access/who.js'
import { lackingSets, needsOwnRole, roleForms, type Wanted } from '../../src/systems/misago/permission-plan.js'
import { nameOf } from '../../src/systems/misago/rights.js'
import { GUEST, MEMBER, MODERATOR } from '../../src/systems/misago/roles.js'
import type { Standing } from '../../src/systems/misago/standing.js'

const [SEEING, WRITING, GROUP, STRANGERS] = [1, 2, 20, 21]
const rights = (...may: Action[]) => ({ may: new Set(may), evenClosed: false, beyond: 0, held: false })
/** A forum with two sets of rights, a group of ours and somebody's; the owner moderates. */
const here = (given: [number, [number, number][]][] = []): Standing => ({
  roles: [GUEST, MEMBER, MODERATOR, GROUP, STRANGERS].map((id) => ({
    id,
    name: id === GROUP ? 'Volunteers' : `role ${id}`,
  })),
  given: new Map(given.map(([role, categories]) => [role, new Map(categories)])),
  sets: new Map([
    [SEEING, rights('see', 'read')],
    [WRITING, rights('see', 'read', 'start', 'reply')],
  ]),
  owner: { id: 1, roles: [MEMBER, MODERATOR] },
  closed: new Set(),
})
const all: Action[] = ['see', 'read', 'start', 'reply']
const wanted = (may: Partial<Wanted['may']>, closed = false): Wanted => ({
  category: 7,
  closed,
  may: { everyone: ['see', 'read'], members: all, Volunteers: all, moderators: all, administrators: all, ...may },
})

test('one form a role, with what changes alone: members get theirs, nobody else’s role lets anybody in', () => {
  const forms = roleForms(here([[STRANGERS, [[7, WRITING]]]]), [wanted({})], undefined, new Map())
  assert.deepEqual(forms, [
    [GUEST, { '7-role': String(SEEING) }],
    [MEMBER, { '7-role': String(WRITING) }],
    // groups and moderators may what members may: no set of their own
    [STRANGERS, { '7-role': '' }],
  ])
  const standing = here([
    [GUEST, [[7, SEEING]]],
    [MEMBER, [[7, WRITING]]],
  ])
  assert.deepEqual(roleForms(standing, [wanted({})], undefined, new Map()), [])
})

test('sets of rights are made only where none does just this, each once', () => {
  assert.deepEqual(lackingSets(here(), [wanted({})]), [])
  const moderating: Action[] = [...all, 'edit', 'remove']
  const lacking = lackingSets(here(), [wanted({ moderators: moderating }), wanted({ moderators: moderating })])
  assert.deepEqual(
    lacking.map(({ name }) => name),
    [nameOf(new Set(moderating), false)],
  )
  // who writes although it is closed needs the right to close, too
  assert.equal(lackingSets(here(), [wanted({}, true)]).length, 1)
})

test('administrators get a role where they are to do more, and it comes last', () => {
  assert.equal(needsOwnRole(here(), [wanted({})]), false)
  const more = wanted({ administrators: [...all, 'pin'] })
  assert.equal(needsOwnRole(here(), [more]), true)
  const OWN = 4
  const standing = { ...here(), roles: [{ id: OWN, name: 'Administrators' }, ...here().roles] }
  const made = new Map([[nameOf(new Set<Action>([...all, 'pin']), false), 30]])
  assert.deepEqual(roleForms(standing, [more], OWN, made).at(-1), [OWN, { '7-role': '30' }])
})
