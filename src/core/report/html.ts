import type { Remark } from '../compare.js'
import type { Check, EyesCell, Report } from './report.js'
import { eyesIn, whoLooks } from './eyes.js'
import { tally, type CheckOutcome } from './outcome.js'
import { reportStyle } from './style.js'

const esc = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;').replace(/'/g, '&#39;')
const section = (title: string, body: string, intro = '', id = ''): string =>
  body === ''
    ? ''
    : `<section${id && ` id="${id}"`}><h2>${esc(title)}</h2>${intro && `<p class="quiet">${esc(intro)}</p>`}${body}</section>`
const list = (items: readonly string[]): string =>
  items.length === 0 ? '' : `<ul>${items.map((item) => `<li>${item}</li>`).join('')}</ul>`
const remarks = (items: readonly Remark[]): string =>
  list(items.map(({ ref, text }) => `<code>${esc(ref)}</code> ${esc(text)}`))
const outcome = (one: 'settled' | 'failed' | 'not chosen'): string =>
  one === 'settled' ? '' : ` <strong class="bad">${esc(one)}</strong>`

/** A time as people read it, in UTC: `25 November 2026, 14:07:09 UTC`. */
const timeText = (iso: string): string =>
  `${new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', hour: '2-digit', minute: '2-digit', second: '2-digit', timeZone: 'UTC' }).format(new Date(iso)).replace(' at ', ', ')} UTC`

function changed({ changed: all }: Report): string {
  return all
    .map(({ ref, what, is, fields, outcome: fate, why }) => {
      const rows = fields.map(
        ({ name, found, wanted }) =>
          `<tr><th scope="row">${esc(name)}</th>${is === 'missing' ? '' : `<td class="found">${esc(found)}</td><td class="to" aria-label="became">→</td>`}<td class="wanted">${esc(wanted)}</td></tr>`,
      )
      return `<article><h3>${esc(what)} <code>${esc(ref)}</code>${outcome(fate)}</h3>${why ? `<p class="bad">${esc(why)}</p>` : ''}<table>${rows.join('')}</table></article>`
    })
    .join('')
}

const removed = (report: Report): string =>
  list(
    report.removed.map(
      ({ what, why, outcome: fate, copy }) =>
        `${esc(what)}: ${esc(why)}${outcome(fate)}${copy === undefined ? '' : ` · <a href="${esc(copy)}">its copy</a>`}`,
    ),
  )

const marks: Readonly<Record<CheckOutcome, { sign: string; kind: string }>> = {
  passed: { sign: '✓', kind: 'ok' },
  failed: { sign: '✗', kind: 'not' },
  'not looked at': { sign: '–', kind: 'quiet' },
}

function checks(all: readonly Check[]): string {
  return eyesIn(all)
    .map((as) => {
      const own = all.filter((check) => check.as === as)
      const items = own.map(
        ({ name, outcome: came, detail }) =>
          `<li class="${marks[came].kind}"><b aria-label="${came}">${marks[came].sign}</b> <span>${esc(name)}<small>${came === 'not looked at' ? 'not looked at: ' : ''}${esc(detail)}</small></span></li>`,
      )
      return items.length === 0 ? '' : `<h3>as ${esc(whoLooks(as))}</h3><ul class="checks">${items.join('')}</ul>`
    })
    .join('')
}

/** Things × eyes: what everybody was to be able to do, and can; a wrong cell stands out. */
function eyes(cells: readonly EyesCell[]): string {
  const columns = [...new Set(cells.map(({ as }) => as))]
  const things = [...new Set(cells.map(({ at }) => at))]
  if (cells.length === 0) return ''
  const cellOf = (at: string, as: string): string => {
    const cell = cells.find((one) => one.at === at && one.as === as)
    if (!cell?.seen) return `<td class="quiet">${cell?.outcome === 'failed' ? 'could not look' : 'unseen'}</td>`
    const { seen, planned } = cell
    const words = [...new Set([...planned, ...seen])].map((action) =>
      seen.includes(action) === planned.includes(action)
        ? action
        : `<strong class="bad">${seen.includes(action) ? `${action}, and should not` : `can’t ${action}`}</strong>`,
    )
    return `<td class="${cell.outcome === 'passed' ? 'ok' : 'not'}">${words.join(' · ') || '<span class="quiet">nothing</span>'}</td>`
  }
  const head = columns.map((as) => `<th scope="col">${esc(as)}</th>`).join('')
  const rows = things.map(
    (at) => `<tr><th scope="row">${esc(at)}</th>${columns.map((as) => cellOf(at, as)).join('')}</tr>`,
  )
  const reasons = [...new Set(cells.flatMap(({ as, why }) => (why === undefined ? [] : [`${as}: ${why}`])))]
  const notes = reasons.map((reason) => `<p class="quiet">unseen: ${esc(reason)}</p>`).join('')
  return `<div class="wide" tabindex="0"><table class="eyes"><thead><tr><td></td>${head}</tr></thead><tbody>${rows.join('')}</tbody></table></div>${notes}`
}

function verdict(report: Report): { good: boolean; text: string } {
  const open = [...report.changed, ...report.removed].filter(({ outcome: fate }) => fate !== 'settled').length
  const failed = tally(report.checks).failed
  const waiting = report.byHand.length + report.never.length
  const parts = [
    ...(open > 0 ? [`${open} ${open === 1 ? 'difference remains' : 'differences remain'}`] : []),
    ...(failed > 0 ? [`${failed} of ${report.checks.length} checks failed`] : []),
    ...(waiting > 0 ? [`${waiting} left to do by hand or not to be had`] : []),
  ]
  return { good: parts.length === 0, text: parts.length === 0 ? 'As planned' : parts.join(', ') }
}

/**
 * A run's account as one HTML page: self-contained, without script, readable on a phone.
 * @param report what report.json holds
 */
export function reportHtml(report: Report): string {
  const { good, text } = verdict(report)
  const seconds = ((Date.parse(report.ended) - Date.parse(report.started)) / 1000).toFixed(1)
  const system = report.system
    ? `${report.system.id} ${report.system.version}${report.system.proven === false ? ' (not proven)' : ''}`
    : 'no system'
  return `<!doctype html>
<html lang="en">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'"><meta name="robots" content="noindex">
<title>${esc(report.of === 'settle' ? 'Settled' : 'Confirmed')}: ${esc(report.address)}</title><style>${reportStyle}</style></head>
<body>
<header><p class="quiet">Unpack · ${report.of === 'settle' ? 'settled and looked at' : 'looked at, nothing written'}</p><h1>${esc(report.address)}</h1>
<p class="verdict ${good ? 'ok' : 'not'}">${good ? '✓' : '✗'} ${esc(text)}</p>
<dl><div><dt>system</dt><dd>${esc(system)}</dd></div><div><dt>began</dt><dd>${esc(timeText(report.started))}</dd></div><div><dt>took</dt><dd>${seconds} s</dd></div><div><dt>requests</dt><dd>${report.requests}, of them ${report.writes} that could change the site</dd></div></dl></header>
<main>
${section('What stood there', `<p><b>${esc(report.stood.standing)}</b></p>${list(report.stood.reasons.map(esc))}`)}
${section('What was changed', changed(report), 'found → wanted')}
${section('What was removed', removed(report), 'Each was copied into this record first.')}
${section('What was kept', remarks(report.kept))}
${section('To do by hand', remarks(report.byHand))}
${section('Not to be had on this system', remarks(report.never))}
${section('To know', remarks(report.notes))}
${section('Forums through many eyes', eyes(report.eyes), 'What each may do, read in a public session of their own.', 'eyes')}
${section('Checks', checks(report.checks))}
</main>
<footer class="quiet">Ended ${esc(timeText(report.ended))}. The journal beside this page has every step; report.json says the same for programs.</footer>
</body></html>
`
}
