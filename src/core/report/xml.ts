import { escapeUTF8 } from 'entities'
import { eyesIn, whoLooks } from './eyes.js'
import type { Report } from './report.js'

interface Case {
  name: string
  failure?: string
  skipped?: string
}

// what XML 1.0 can't hold is left out
const esc = (text: string): string => escapeUTF8(text.replace(/[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu, ''))

const seconds = (from: string, to: string): string => ((Date.parse(to) - Date.parse(from)) / 1000).toFixed(3)

function suite(name: string, cases: readonly Case[]): string {
  const count = (key: 'failure' | 'skipped') => cases.filter((one) => one[key] !== undefined).length
  const lines = cases.map(({ name: own, failure, skipped }) => {
    const inner =
      failure !== undefined
        ? `<failure message="${esc(failure)}"/>`
        : skipped !== undefined
          ? `<skipped message="${esc(skipped)}"/>`
          : ''
    const head = `<testcase classname="${esc(name)}" name="${esc(own)}"`
    return `    ${inner === '' ? `${head}/>` : `${head}>${inner}</testcase>`}`
  })
  const head = `  <testsuite name="${esc(name)}" tests="${cases.length}" failures="${count('failure')}" skipped="${count('skipped')}">`
  return [head, ...lines, '  </testsuite>'].join('\n')
}

/**
 * A run's account in the form that build servers show: JUnit XML, with a suite for what was settled and one for each pair
 * of eyes. What was not chosen, is to do by hand,
 * or could not be looked at, is skipped.
 */
export function reportXml(report: Report): string {
  const { of, address, started, ended, changed, removed, byHand, never, checks } = report
  const settled: Case[] = [
    ...changed.map(({ what, outcome, why }) => ({ name: what, outcome, why })),
    ...removed.map(({ what, outcome, why }) => ({ name: `${what} goes`, outcome, why })),
  ].map(({ name, outcome, why }) => ({
    name,
    ...(outcome === 'failed' && { failure: why ?? 'it failed' }),
    ...(outcome === 'not chosen' && { skipped: 'not chosen' }),
  }))
  const open: Case[] = [...byHand, ...never].map(({ ref, text }) => ({ name: ref, skipped: text }))
  const seen = (as: string): Case[] =>
    checks
      .filter((check) => check.as === as)
      .map(({ name, outcome, detail }) => ({
        name,
        ...(outcome === 'failed' && { failure: detail }),
        ...(outcome === 'not looked at' && { skipped: detail }),
      }))
  const suites = [
    { name: 'settled', cases: [...settled, ...open] },
    ...eyesIn(checks).map((as) => ({ name: `as ${whoLooks(as)}`, cases: seen(as) })),
  ].filter(({ cases }) => cases.length > 0)
  const all = suites.flatMap(({ cases }) => cases)
  const failures = all.filter(({ failure }) => failure !== undefined).length
  const head = `<testsuites name="${esc(`unpack ${of} ${address}`)}" tests="${all.length}" failures="${failures}" time="${seconds(started, ended)}">`
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    head,
    ...suites.map(({ name, cases }) => suite(name, cases)),
    '</testsuites>',
    '',
  ].join('\n')
}
