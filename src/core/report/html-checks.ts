import { eyesIn, whoLooks } from './eyes.js'
import { esc } from './html-parts.js'
import { outcomeSigns, type CheckOutcome } from './outcome.js'
import type { Check, EyesCell } from './report.js'

/** The classes by which the page's style tells outcomes apart. */
const kinds: Readonly<Record<CheckOutcome, string>> = { passed: 'ok', failed: 'not', 'not looked at': 'quiet' }

const checkItem = ({ name, outcome, detail }: Check): string => {
  const why = outcome === 'not looked at' ? 'not looked at: ' : ''
  return `<li class="${kinds[outcome]}"><b aria-label="${outcome}">${outcomeSigns[outcome]}</b> <span>${esc(name)}<small>${why}${esc(detail)}</small></span></li>`
}

/** Checks by who looked. */
export const checksByEyes = (all: readonly Check[]): string =>
  eyesIn(all)
    .map((as) => {
      const items = all.filter((check) => check.as === as).map(checkItem)
      return items.length === 0 ? '' : `<h3>as ${esc(whoLooks(as))}</h3><ul class="checks">${items.join('')}</ul>`
    })
    .join('')

/** Things × eyes: what everybody was to be able to do, and can; a wrong cell stands out. */
export function eyesTable(cells: readonly EyesCell[]): string {
  const columns = [...new Set(cells.map(({ as }) => as))]
  const things = [...new Set(cells.map(({ at }) => at))]
  if (cells.length === 0) return ''
  const cellOf = (at: string, as: string): string => {
    const cell = cells.find((one) => one.at === at && one.as === as)
    if (!cell?.seen) return `<td class="quiet">${cell?.outcome === 'failed' ? 'could not look' : 'not looked at'}</td>`
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
  const notes = reasons.map((reason) => `<p class="quiet">not looked at: ${esc(reason)}</p>`).join('')
  return `<div class="wide" tabindex="0"><table class="eyes"><thead><tr><td></td>${head}</tr></thead><tbody>${rows.join('')}</tbody></table></div>${notes}`
}
