import pc from 'picocolors'
import type { z } from 'zod'
import type { surveyDocument } from '../../core/report/report.js'
import { addressText } from '../../core/address.js'
import type { Standing } from '../../core/findings.js'
import type { Surveyed } from '../../engine/survey.js'
import { bad, good, heading, row } from './layout.js'

const meaning: Record<Standing, string> = {
  nothing: 'nothing answers there',
  blank: 'something answers, and there is nothing on it',
  placeholder: 'a page of the host or the web server, no site yet',
  'first-run': 'a system waits for its first-run form',
  fresh: 'a system is set up, with nothing of somebody’s own',
  'in-use': 'somebody’s site',
  unknown: 'something that can’t be told from outside',
}

export const surveyJson = (surveyed: Surveyed): z.output<typeof surveyDocument> => {
  const { system, variants } = surveyed.findings
  return {
    address: addressText(surveyed.address),
    standing: surveyed.standing,
    safe: surveyed.safe,
    system: system
      ? { id: system.id, name: system.name, version: system.version, proven: system.proven ?? null }
      : null,
    reasons: surveyed.reasons,
    variants,
    requests: surveyed.requests,
  }
}

export function surveyLines(surveyed: Surveyed): string[] {
  const { findings, standing, safe, reasons } = surveyed
  const { system, variants, hops } = findings
  return [
    heading(addressText(surveyed.address)),
    ...row('standing', `${pc.bold(standing)}: ${meaning[standing]}`),
    ...reasons.flatMap((reason, index) => row(index === 0 ? 'because' : '', reason)),
    ...row(
      'system',
      system
        ? `${system.name} ${system.version || '(it does not tell its version)'}, ${system.proven === undefined ? 'told after signing in whether it is proven' : system.proven ? `proven${testedWith(system.tried)}` : `not proven${testedWith(system.tried)}: settle wants --unproven`}`
        : 'none that Unpack knows',
    ),
    ...hops
      .slice(0, 3)
      .flatMap(({ from, to, status }, index) => row(index === 0 ? 'leads' : '', `${from} → ${to} (HTTP ${status})`)),
    ...variants.flatMap(({ address, says, leadsTo }, index) =>
      row(index === 0 ? 'also' : '', `${address} ${leadsTo ? `→ ${leadsTo}` : says}`),
    ),
    ...row('safe', safe ? good('yes, settle may go on; it judges again after signing in') : bad('no')),
  ]
}

const testedWith = (tried: string | undefined): string => (tried === undefined ? '' : ` (tested with ${tried})`)
