import assert from 'node:assert/strict'
import { test } from 'node:test'
import fc from 'fast-check'
import { SaxesParser } from 'saxes'
import type { Report } from 'unpack'
import { nothingYet } from '../../src/core/report/blank.js'
import { reportXml } from '../../src/core/report/xml.js'

const report = (more: Partial<Report> = {}): Report => ({
  report: 1,
  of: 'settle',
  title: 'Tidepool',
  dashboard: 'http://127.0.0.1/office',
  address: 'http://127.0.0.1:4101/',
  system: null,
  started: '2026-11-25T10:00:00.000Z',
  ended: '2026-11-25T10:00:03.250Z',
  stood: { standing: 'first-run', reasons: [] },
  ...nothingYet,
  ...more,
})
const change = (
  what: string,
  outcome: 'settled' | 'failed' | 'not chosen',
  why?: string,
): Report['changed'][number] => ({
  area: 'pages',
  ref: 'pages/x',
  what,
  is: 'missing',
  fields: [],
  outcome,
  ...(why !== undefined && { why }),
})

interface Node {
  name: string
  attributes: Record<string, string>
}
/** The elements of a document; a document that is not well-formed throws. */
function elements(xml: string): Node[] {
  const found: Node[] = []
  const parser = new SaxesParser()
  parser.on('opentag', ({ name, attributes }) =>
    found.push({ name, attributes: { ...(attributes as Record<string, string>) } }),
  )
  parser.on('error', (error) => {
    throw error
  })
  parser.write(xml).close()
  return found
}
const named = (xml: string, name: string) =>
  elements(xml)
    .filter((node) => node.name === name)
    .map(({ attributes }) => attributes)

test('a suite for what was settled and one for each pair of eyes, with their sums', () => {
  const xml = reportXml(
    report({
      changed: [
        change('the page “A”', 'settled'),
        change('the page “B”', 'failed', 'refused'),
        change('the page “C”', 'not chosen'),
      ],
      removed: [{ ref: 'posts/p', what: 'the post “P”', why: 'it shipped', outcome: 'settled' }],
      byHand: [{ ref: 'owner.username', text: 'do it there' }],
      checks: [
        { name: 'the title', as: 'visitor', outcome: 'passed', detail: '' },
        { name: 'the feed', as: 'visitor', outcome: 'failed', detail: 'no feed' },
        { name: 'signs in', as: 'owner', outcome: 'passed', detail: '' },
        { name: 'signs out', as: 'owner', outcome: 'not looked at', detail: 'no dashboard' },
      ],
    }),
  )
  assert.deepEqual(named(xml, 'testsuites'), [
    { name: 'unpack settle http://127.0.0.1:4101/', tests: '9', failures: '2', time: '3.250' },
  ])
  assert.deepEqual(
    named(xml, 'testsuite').map(({ name, tests, failures, skipped }) => [name, tests, failures, skipped]),
    [
      ['settled', '5', '1', '2'],
      ['as the visitor', '2', '1', '0'],
      ['as the owner', '2', '0', '1'],
    ],
  )
  assert.deepEqual(
    named(xml, 'failure').map(({ message }) => message),
    ['refused', 'no feed'],
  )
  assert.deepEqual(
    named(xml, 'testcase').map(({ name }) => name),
    [
      'the page “A”',
      'the page “B”',
      'the page “C”',
      'the post “P” goes',
      'owner.username',
      'the title',
      'the feed',
      'signs in',
      'signs out',
    ],
  )
})

test('a run with nothing to tell has no suite', () => assert.deepEqual(named(reportXml(report()), 'testsuite'), []))

test('whatever an item is called, the document is well-formed and says it', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 40 }), (what) => {
      const [first] = named(reportXml(report({ changed: [change(what, 'failed', what)] })), 'testcase')
      const readable = (text: string) => text.replace(/[\p{Cc}\s\ufffe\uffff]/gu, '')
      assert.equal(readable(first?.name ?? ''), readable(what))
    }),
    { numRuns: 300 },
  )
})
