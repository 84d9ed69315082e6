import assert from 'node:assert/strict'
import { test } from 'node:test'
import { reportDocument, reportHtml, type Report } from 'unpack'

const evil = `"><script>alert('x')</script><img src=x onerror=alert(1)>`
const report = reportDocument.parse({
  report: 1,
  of: 'settle',
  title: evil,
  dashboard: `javascript:${evil}`,
  address: `http://127.0.0.1/${evil}`,
  system: { id: evil, name: evil, version: evil, proven: false },
  started: '2026-11-25T10:15:00.000Z',
  ended: '2026-11-25T10:15:02.500Z',
  stood: { standing: evil, reasons: [evil] },
  changed: [
    {
      area: 'site',
      ref: evil,
      what: evil,
      is: 'different',
      fields: [{ name: evil, found: evil, wanted: evil }],
      outcome: 'failed',
      why: evil,
    },
  ],
  removed: [{ ref: evil, what: evil, why: evil, outcome: 'settled', copy: evil }],
  kept: [{ ref: evil, text: evil }],
  extras: [{ ref: evil, text: evil }],
  byHand: [{ ref: evil, text: evil }],
  never: [{ ref: evil, text: evil }],
  notes: [{ ref: evil, text: evil }],
  eyes: [],
  checks: [{ name: evil, as: 'visitor', outcome: 'failed', detail: evil }],
  requests: 1,
  writes: 1,
})

test('whatever a site says, the report shows it as text', () => {
  const html = reportHtml(report)
  assert.doesNotMatch(html, /<script|<img/i)
  assert.ok(html.split('&lt;script&gt;').length > 15)
})

test('the verdict counts what is open, what failed and what is left to do', () => {
  const html = reportHtml(report)
  assert.match(html, /1 difference remains, 1 of 1 check failed, 2 left to do by hand or not to be had/)
  assert.match(html, /25 November 2026, 10:15:00 UTC/)
  assert.match(html, /2\.5 s/)
  const fine = { ...report, changed: [], removed: [], byHand: [], never: [], checks: [] }
  assert.match(reportHtml(fine), /✓ As planned/)
})

test('what failed stands first, differences are folded by area without script, and what was not looked at is told as that', () => {
  const change = (
    area: string,
    is: 'missing' | 'different',
    outcome: 'settled' | 'failed',
  ): Report['changed'][number] => ({
    area,
    ref: `${area}/x`,
    what: `the thing of ${area}`,
    is,
    fields: [
      {
        name: 'text',
        found: 'old',
        wanted: 'new',
        words: [
          { is: 'gone', text: 'low' },
          { is: 'new', text: 'high' },
          { is: 'same', text: ' water' },
        ],
      },
    ],
    outcome,
  })
  const html = reportHtml({
    ...report,
    title: 'Tidepool',
    dashboard: 'http://127.0.0.1:4102/office/',
    changed: [change('pages', 'missing', 'settled'), change('posts', 'different', 'failed')],
    removed: [],
    byHand: [],
    never: [],
    checks: [
      { name: 'the good one', as: 'visitor', outcome: 'passed', detail: 'there' },
      { name: 'the bad one', as: 'visitor', outcome: 'failed', detail: 'nothing there' },
      { name: 'the blind one', as: 'visitor', outcome: 'not looked at', detail: 'too dark' },
    ],
  })
  assert.match(html, /<h1>Tidepool<\/h1>/)
  assert.match(html, /1 difference remains, 1 of 2 checks failed; 1 not looked at/)
  const places = ['id="failed"', 'the bad one', 'id="next"', 'id="changed"', 'id="checks"', 'the good one'].map(
    (text) => html.indexOf(text),
  )
  assert.ok(
    places.every((place, index) => place > (places[index - 1] ?? 0)),
    places.join(),
  )
  // a part in which something failed stands open
  assert.equal(html.split('<details>').length - 1, 3)
  assert.equal(html.split('<details open>').length - 1, 1)
  assert.match(html, /<del>low<\/del><ins>high<\/ins> water/)
  assert.match(html, /the blind one<small>not looked at: too dark/)
  assert.match(html, /<a href="http:\/\/127\.0\.0\.1:4102\/office\/">/)
  for (const [, id = ''] of html.matchAll(/href="#(\w+)"/g)) assert.ok(html.includes(`id="${id}"`), id)
})

test('an address that no browser should follow is text', () => {
  assert.doesNotMatch(reportHtml(report), /href="javascript/)
})
