import assert from 'node:assert/strict'
import { test } from 'node:test'
import { builtIn, compare, inventoryOf, readBaseline, type Reading, type Step, idOf, secretOf } from 'unpack'

const misago = builtIn.find(({ id }) => id === 'misago')
assert.ok(misago)

/** The steps that a plan takes on a forum with these items: carrier, fields, and what they give, wait for, owe and pay. */
function stepsFor(rest: string, reading: Reading) {
  const { baseline } = readBaseline(
    `unpack: 1\nsite: { address: "http://127.0.0.1/", title: T }\nowner: { username: marlow }\n${rest}`,
  )
  const inventory = inventoryOf(reading)
  const { differences } = compare(baseline, inventory)
  return Object.entries(misago?.areas ?? {}).flatMap(([name, area]) => {
    const own = differences.filter((one) => one.area === name && !(one.is === 'left over' && one.fallsWith))
    const steps: Step[] =
      own.length > 0 ? (area.translate?.(own as never, { firstRun: false, baseline, inventory }) ?? []) : []
    return steps.map(({ carrier, fields, more }) => ({
      carrier: carrier.name,
      fields,
      more: { ...more, proves: undefined },
    }))
  })
}
const shipped = { place: true, untouched: true, known: true }

test('settings of several areas go to the form that they stand on', () => {
  const steps = stepsFor(
    'mail: { signature: Bye }\nsignUp: { open: true, approval: staff, question: { ask: Why, answers: [because, so] } }\nposting: { perHour: 0, postsPerPage: 12 }',
    {
      site: [{ id: 1, item: { title: 'Misago' } }],
      mail: [{ id: 1, item: { signature: '' } }],
      signUp: [{ id: 1, item: { open: false, approval: 'none', 'question.ask': '', 'question.answers': [] } }],
      posting: [{ id: '', item: { perHour: 100, postsPerPage: 18 } }],
    },
  )
  const by = (name: string) =>
    Object.assign({}, ...steps.filter(({ carrier }) => carrier === name).map(({ fields }) => fields)) as unknown
  assert.deepEqual(by('general settings'), { forum_name: 'T', logo_text: 'T', email_footer: 'Bye' })
  assert.deepEqual(by('settings of accounts'), { account_activation: 'admin' })
  assert.deepEqual(by('the question at sign-up'), { captcha_type: 'qa', qa_question: 'Why', qa_answers: 'because\nso' })
  assert.deepEqual(by('settings of topics'), {
    hourly_post_limit: '0',
    posts_per_page: '12',
    posts_per_page_orphans: '0',
  })
})

test('a right of every member is given through their own role, and taken from each role that gives it', () => {
  const steps = (wanted: boolean, given: string) =>
    stepsFor(`profiles: { privateMessages: ${wanted} }`, {
      profiles: [{ id: given, item: { privateMessages: !wanted } }],
    })
  const right = (value: string) => ({
    'misago.threads.permissions.privatethreads-can_use_private_threads': value,
    'misago.threads.permissions.privatethreads-can_start_private_threads': value,
  })
  assert.deepEqual(
    steps(true, ';').map(({ fields }) => fields),
    [{ role: 1, fields: right('1') }],
  )
  assert.deepEqual(
    steps(false, '1,8;').map(({ fields }) => fields),
    [
      { role: 1, fields: right('0') },
      { role: 8, fields: right('0') },
    ],
  )
})

test('a member is made plain first, then given roles; that owes what access pays, and access waits for groups', () => {
  const steps = stepsFor(
    `groups: [{ name: Divers }]
members: [{ username: kelp, email: kelp@a.example, groups: [Divers] }, { username: limpet, email: limpet@a.example }]
forums: [{ title: Sea, forums: [{ title: Deep, access: { see: members, read: [Divers] } }] }]`,
    { groups: [], members: [], forums: [], access: [] },
  )
  const accounts = steps.filter(({ carrier }) => /accounts/.test(carrier))
  assert.deepEqual(
    accounts.map(({ carrier, fields, more }) => [carrier, fields, more.owes]),
    [
      ['new accounts', { username: 'kelp', email: 'kelp@a.example', password: secretOf('members/kelp') }, undefined],
      ['accounts', { id: idOf('members/kelp'), roles: [idOf('groups/Divers')], leaves: [] }, 'rights kept for others'],
      [
        'new accounts',
        { username: 'limpet', email: 'limpet@a.example', password: secretOf('members/limpet') },
        undefined,
      ],
    ],
  )
  const access = steps.filter(({ carrier }) => carrier === 'permissions')
  assert.deepEqual(
    access.map(({ fields, more }) => [(fields as { category: unknown }).category, more.pays, more.after]),
    [
      [idOf('forums/Sea'), 'rights kept for others', ['groups/Divers']],
      [idOf('forums/Sea/Deep'), 'rights kept for others', ['groups/Divers']],
    ],
  )
  const [sea, deep] = access.map(({ fields }) => (fields as { may: unknown }).may)
  assert.deepEqual(sea, {
    everyone: [],
    members: ['see', 'read'],
    Divers: ['see', 'read'],
    moderators: ['see', 'read'],
    administrators: ['see', 'read'],
  })
  const all = ['see', 'read', 'start', 'reply', 'edit', 'remove', 'pin', 'notice']
  assert.deepEqual(deep, {
    everyone: [],
    members: ['see'],
    Divers: ['see', 'read', 'start', 'reply'],
    moderators: all,
    administrators: all,
  })
})

test('forums in their category; what shipped goes after everything that comes', () => {
  const steps = stepsFor(
    'shipped: remove\nforums: [{ title: Sea, forums: [{ title: Deep, locked: true, removeOldAfterDays: 30 }] }]',
    { forums: [{ id: 3, item: { title: 'First category', parent: '' }, marks: shipped }] },
  )
  assert.deepEqual(
    steps.map(({ carrier, fields, more: { gives, after } }) => ({ carrier, fields, gives, after })),
    [
      { carrier: 'categories', fields: { parent: '', fields: { name: 'Sea' } }, gives: 'forums/Sea', after: undefined },
      {
        carrier: 'categories',
        fields: { parent: idOf('forums/Sea'), fields: { name: 'Deep', is_closed: '1', prune_replied_after: '30' } },
        gives: 'forums/Sea/Deep',
        after: undefined,
      },
      {
        carrier: 'categories that go',
        fields: { id: idOf('forums/First category') },
        gives: undefined,
        after: ['forums/Sea', 'forums/Sea/Deep'],
      },
    ],
  )
})

test('what its rules don’t allow is told: voting apart from reading, visitors who write', () => {
  const can = (access: string) => {
    const { baseline } = readBaseline(
      `unpack: 1\nsite: { address: "http://127.0.0.1/" }\nowner: { username: marlow }\nforums: [{ title: Sea, forums: [{ title: Deep, access: ${access} }] }]`,
    )
    const abilities = misago.areas.access?.can
    return Object.keys((typeof abilities === 'function' ? abilities({ baseline, inventory: {} }) : abilities) ?? {})
  }
  assert.deepEqual(can('{ read: members }'), [])
  assert.deepEqual(can('{ vote: moderators }'), ['vote'])
  assert.deepEqual(can('{ start: everyone, reply: everyone }'), ['start', 'reply'])
})
