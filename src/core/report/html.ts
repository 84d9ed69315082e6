import { changesByArea, removals } from './html-changes.js'
import { checksByEyes, eyesTable } from './html-checks.js'
import { count } from '../text/count.js'
import { esc, link, list, remarks, section } from './html-parts.js'
import { tally } from './outcome.js'
import type { Report } from './report.js'
import { reportStyle } from './style.js'

/** A time as people read it, in UTC: `25 November 2026, 14:07:09 UTC`. */
const timeText = (iso: string): string =>
  `${new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', hour: '2-digit', minute: '2-digit', second: '2-digit', timeZone: 'UTC' }).format(new Date(iso)).replace(' at ', ', ')} UTC`

/** The differences that remain. */
const openIn = ({ changed, removed }: Report): (Report['changed'] | Report['removed'])[number][] =>
  [...changed, ...removed].filter(({ outcome }) => outcome !== 'settled')

function verdict(report: Report): { good: boolean; text: string } {
  const open = openIn(report).length
  const { passed, failed, notLookedAt } = tally(report.checks)
  const waiting = report.byHand.length + report.never.length
  const parts = [
    ...(open > 0 ? [count(open, 'difference remains', 'differences remain')] : []),
    ...(failed > 0 ? [`${failed} of ${count(passed + failed, 'check')} failed`] : []),
    ...(waiting > 0 ? [`${waiting} left to do by hand or not to be had`] : []),
  ]
  const rest = notLookedAt > 0 ? `; ${notLookedAt} not looked at` : ''
  return { good: parts.length === 0, text: `${parts.length === 0 ? 'As planned' : parts.join(', ')}${rest}` }
}

/** What was done and seen, in numbers, each leading to where it stands. */
function atAGlance(report: Report): string {
  const { passed, failed, notLookedAt } = tally(report.checks)
  const done = report.changed.filter(({ outcome }) => outcome === 'settled')
  const made = done.filter(({ is }) => is === 'missing').length
  const gone = report.removed.filter(({ outcome }) => outcome === 'settled').length
  const entries: [number, string, string][] = [
    [openIn(report).length + failed, 'failed or open', 'failed'],
    [made, 'made', 'changed'],
    [done.length - made, 'changed', 'changed'],
    [gone, 'removed', 'removed'],
    [report.kept.length, 'kept', 'kept'],
    [report.byHand.length, 'to do by hand', 'hand'],
    [report.never.length, 'not to be had', 'never'],
    [passed, 'checks passed', 'checks'],
    [notLookedAt, 'not looked at', 'checks'],
  ]
  const links = entries
    .filter(([number]) => number > 0)
    .map(([number, text, id]) => `<a href="#${id}"><b>${number}</b> ${text}</a>`)
  return links.length === 0 ? '' : `<nav aria-label="At a glance">${links.join('')}</nav>`
}

/** Differences that remain, and checks that failed: before everything else. */
function failures(report: Report): string {
  const lines = openIn(report).map(
    ({ what, outcome, why }) => `${esc(what)}: <strong class="bad">${esc(outcome)}</strong> ${esc(why ?? '')}`,
  )
  return list(lines) + checksByEyes(report.checks.filter(({ outcome }) => outcome === 'failed'))
}

/** What its owner does next. */
function next(report: Report): string {
  const isSettled = report.of === 'settle'
  const again = isSettled
    ? 'run <code>unpack settle</code> again: it goes on where this one stopped'
    : '<code>unpack confirm</code> sees whether it is'
  return list([
    ...(openIn(report).length + tally(report.checks).failed > 0
      ? [`Look at what failed, put it right, and ${again}.`]
      : []),
    ...(report.byHand.length > 0
      ? ['Do by hand what is listed for that; <code>unpack confirm</code> sees whether it is done.']
      : []),
    `Sign in at ${link(report.dashboard)}; <code>unpack logins show</code> shows the password.`,
    ...(isSettled
      ? ['Later, <code>unpack confirm</code> looks whether all still is as planned, and writes nothing.']
      : []),
  ])
}

/**
 * A run's account as one HTML page: self-contained, without script, readable on a phone.
 * @param report what report.json holds
 * @example await writeFile('report.html', reportHtml(JSON.parse(await readFile('report.json', 'utf8'))))
 */
export function reportHtml(report: Report): string {
  const { good, text } = verdict(report)
  const seconds = ((Date.parse(report.ended) - Date.parse(report.started)) / 1000).toFixed(1)
  const system = report.system
    ? `${report.system.name} ${report.system.version}${report.system.proven === false ? ' (not proven)' : ''}`
    : 'no system'
  const title = report.title || report.address
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'"><meta name="robots" content="noindex">
<title>${esc(report.of === 'settle' ? 'Settled' : 'Confirmed')}: ${esc(title)}</title><style>${reportStyle}</style></head>
<body>
<header><p class="quiet">Unpack · ${report.of === 'settle' ? 'settled and looked at' : 'looked at, nothing written'}</p><h1>${esc(title)}</h1>
<p class="verdict ${good ? 'ok' : 'not'}">${good ? '✓' : '✗'} ${esc(text)}</p>
<dl><div><dt>site</dt><dd>${link(report.address)}</dd></div><div><dt>dashboard</dt><dd>${link(report.dashboard)}</dd></div><div><dt>system</dt><dd>${esc(system)}</dd></div><div><dt>began</dt><dd>${esc(timeText(report.started))}</dd></div><div><dt>took</dt><dd>${seconds} s</dd></div><div><dt>requests</dt><dd>${report.requests}, of them ${report.writes} that could change the site</dd></div></dl>
${atAGlance(report)}</header>
<main>
${section('What failed', failures(report), '', 'failed')}
${section('To do by hand', remarks(report.byHand), '', 'hand')}
${section('Not to be had on this site', remarks(report.never), '', 'never')}
${section('What to do next', next(report), '', 'next')}
${section('What was changed', changesByArea(report.changed), 'found → wanted, by area; open one to see it', 'changed')}
${section('What was removed', removals(report), 'Each was copied into this record first.', 'removed')}
${section('What was kept', remarks(report.kept), '', 'kept')}
${section('Came with your host', remarks(report.extras), 'Add-ons and themes that neither came with the system nor are in your file. They stay.', 'extras')}
${section('To know', remarks(report.notes), '', 'notes')}
${section('Forums through many eyes', eyesTable(report.eyes), 'What each may do, read in a public session of their own.', 'eyes')}
${section('Checks', checksByEyes(report.checks), '', 'checks')}
${section('What stood there', `<p><b>${esc(report.stood.standing)}</b></p>${list(report.stood.reasons.map(esc))}`, '', 'stood')}
</main>
<footer class="quiet">Ended ${esc(timeText(report.ended))}. The journal beside this page has every step; report.json says the same for programs.</footer>
</body></html>
`
}
