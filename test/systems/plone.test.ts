import assert from 'node:assert/strict'
import { test } from 'node:test'
import fc from 'fast-check'
import { cldrDate, systemDate, whyNotSo } from '../../src/systems/plone/dates.js'
import { whyNoSuchMenu } from '../../src/systems/plone/menus.js'
import { Tree, type Node } from '../../src/systems/plone/nodes.js'
import { movesFor } from '../../src/systems/plone/order.js'
import { marksOf } from '../../src/systems/plone/shipped.js'
import { escapedOnce, textAsPlanned, textToSend } from '../../src/systems/plone/texts.js'
import { localOf, momentOf } from '../../src/systems/plone/zone.js'
import { planned } from '../help/plan.js'

const home = 'http://localhost:8080/museum/'

test('moves put the planned items in order, leave the others where they are among them, and move no more than needed', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.string({ minLength: 1, maxLength: 2 }), { maxLength: 9 }), fc.nat(), (ids, seed) => {
      const wanted = ids.filter((_, index) => (seed >> (index % 20)) % 2 === 0).toSorted()
      const moves = movesFor(ids, wanted)
      const end = moves.at(-1)?.after ?? ids
      assert.deepEqual(
        end.filter((id) => wanted.includes(id)),
        wanted,
      )
      assert.deepEqual(end.toSorted(), ids.toSorted())
      assert.ok(moves.length < Math.max(wanted.length, 1))
      // as the system does it: one item at a time, by so many places
      let now = [...ids]
      for (const { id, by } of moves) {
        const from = now.indexOf(id)
        const others = now.filter((one) => one !== id)
        now = [...others.slice(0, from + by), id, ...others.slice(from + by)]
      }
      assert.deepEqual(now, end)
    }),
  )
})

test('links count from the page’s own address in the file, and from its folder there; read back they are the planned ones', () => {
  const body =
    '<p><a href="../rota/">Rota</a> <a href="hours/?a=1&amp;b=2#top">Hours</a> <a href="https://street.example/">Street</a> <a href="#top">Up</a></p>'
  assert.equal(
    textToSend(body, 'visit', 1, home),
    '<p><a href="../rota">Rota</a> <a href="../visit/hours?a=1&amp;b=2#top">Hours</a> <a href="https://street.example/">Street</a> <a href="#top">Up</a></p>',
  )
  const read = `<p><a href="${home}rota">Rota</a> <a href="${home}visit/hours?a=1&amp;b=2#top">Hours</a> <a href="https://street.example/">Street</a> <a href="#top">Up</a></p>`
  assert.equal(textAsPlanned(read, body, 'visit', home), body)
  const shown = `<img src="${home}files/everyone/shed-1a2b3c4d.png/@@images/image-0-5f.png">`
  assert.equal(textAsPlanned(shown, undefined, '', home), `<img src="${home}files/everyone/shed-1a2b3c4d.png">`)
  assert.equal(escapedOnce('a &amp; b'), 'a &amp;amp; b')
})

test('times go as moments with the offset of their day, and come back the same', () => {
  assert.equal(momentOf('2026-03-28T23:30', 'Europe/Berlin'), '2026-03-28T23:30:00+01:00')
  assert.equal(momentOf('2026-03-29T03:15', 'Europe/Berlin'), '2026-03-29T03:15:00+02:00')
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 8000 }),
      fc.constantFrom('Europe/Berlin', 'Europe/London', 'Asia/Kolkata'),
      (hours, zone) => {
        // hours that there are: noon of each day
        const day = new Date(Date.UTC(2026, 0, 1) + hours * 86_400_000).toISOString().slice(0, 10)
        const local = `${day}T12:05`
        assert.equal(localOf(momentOf(local, zone), zone), local)
      },
    ),
  )
  for (const pattern of ['d MMMM y', 'EEEE, dd/MM/yy', 'y-MM-dd', 'h:mm aaa', "d. 'of' M"])
    assert.equal(cldrDate(systemDate(pattern)).replaceAll("''", "'"), pattern)
  assert.equal(whyNotSo('d MMMM y', 'en-GB'), undefined)
  assert.match(whyNotSo('d. MMMM y', 'de') ?? '', /English/)
})

test('a menu that contradicts the pages is told: their order, their titles, what is hidden, what stands below', () => {
  const why = (main: string, pages = '{ title: A, slug: a }, { title: B, slug: b, under: [{ title: C, slug: c }] }') =>
    whyNoSuchMenu(planned(home, `pages: [${pages}]\nmenus: { main: [${main}] }`))
  assert.equal(why('{ page: a }, { label: S, link: "https://s.example/" }, { page: b }'), undefined)
  assert.match(why('{ page: b }, { page: a }') ?? '', /own order/)
  assert.match(why('{ page: b/c }') ?? '', /only pages at the top/)
  assert.match(why('{ page: a, label: Other }') ?? '', /by its title/)
  assert.match(why('{ page: a }', '{ title: A, slug: a, hidden: true }') ?? '', /hidden from menus/)
  assert.match(
    why('{ page: a }', '{ title: A, slug: a }, { title: D, slug: d, hidden: false }') ?? '',
    /stands in no menu/,
  )
})

test('what came in the first minutes: made then, and nothing done to it since but to publish it then', () => {
  const tree = new Tree([], 'https://quay.example/site', '2026-03-05T14:00:00+00:00')
  const at = (time: string) => `2026-03-05T${time}+00:00`
  const marks = (created: string, modified: string, effective?: string) => {
    const raw = { created: at(created), modified: at(modified), effective: effective && at(effective) }
    const node = { uid: '7', path: 'welcome', type: 'Document', isDefault: false, raw } as unknown as Node
    return marksOf(node, tree)?.early ?? false
  }
  assert.equal(marks('14:00:20', '14:00:20'), true)
  assert.equal(marks('14:00:20', '14:00:22', '14:00:22'), true)
  // edited at once, edited later, published later, made later, and imported with an older date
  assert.equal(marks('14:00:20', '14:00:30', '14:00:22'), false)
  assert.equal(marks('14:00:20', '15:00:00'), false)
  assert.equal(marks('14:00:20', '15:00:00', '15:00:00'), false)
  assert.equal(marks('14:02:00', '14:02:00'), false)
  assert.equal(marks('13:00:00', '13:00:00'), false)
})
