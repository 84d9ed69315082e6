import assert from 'node:assert/strict'
import { test } from 'node:test'
import { reportDocument, reportHtml } from 'unpack'

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
