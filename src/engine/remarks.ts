import type { Remark } from '../core/compare.js'
import { otherHosts } from '../looks/loads.js'
import type { Answer } from '../web/answer.js'
import type { Run } from './run.js'

/** What is worth knowing of the public site beside the plan; none of it fails a check. */
export const remarksOn = ({ site }: Pick<Run, 'site'>, front: Answer | undefined): Remark[] => [
  ...site.surveyed.findings.variants
    .filter(
      ({ address, leadsTo, says }) => isPlainOf(site.home, address) && leadsTo === undefined && /^answers/.test(says),
    )
    .map(({ address }) => ({
      ref: 'site',
      text: `${address} answers too, and does not lead to https: what visitors send there can be read on the way`,
    })),
  ...(front ? otherHosts(front) : []).map((host) => ({
    ref: 'site',
    text: `the front page has visitors' browsers load something from ${host}, which learns who looked`,
  })),
]

/** Whether an address is that of a site, by plain http. */
const isPlainOf = (home: string, address: string): boolean =>
  home.startsWith('https:') && address.replace(/^http:/, 'https:') === home
