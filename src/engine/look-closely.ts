import { textBlocks } from '../core/text/plain.js'
import { addressText, isOn, type SiteAddress } from '../core/address.js'
import type { Findings } from '../core/findings.js'
import type { System } from '../systems/system.js'
import type { Answer } from '../web/answer.js'
import { pageFacts, letterWeight } from '../web/page-facts.js'
import type { Visitor } from '../web/visitor.js'
import { knownSystems, type Systems } from './known-systems.js'
import { unlessStopped } from './unless-stopped.js'

/** Requests a survey sends at the most. */
const MOST_REQUESTS = 12
const INNER_LOOKS = 3

/**
 * Looks closely at what answered: its page, the system behind it, and where no system is known, a few pages it leads to.
 * @param here a visitor at the folder where the front page was found
 * @param findings filled as it goes: what was seen stays where a later look fails
 * @returns the system, where one is known
 */
export async function lookClosely(
  front: Answer,
  asked: SiteAddress,
  here: Visitor,
  findings: Findings,
  systems: Systems | undefined,
): Promise<System | undefined> {
  findings.hops = [...front.hops]
  findings.front = pageFacts(front)
  const get = async (place: string): Promise<Answer | undefined> =>
    here.traffic.requests >= MOST_REQUESTS ? undefined : here.get(place).catch(unlessStopped)
  for (const system of await knownSystems(systems)) {
    findings.system = await system.recognise({ front, get })
    if (!findings.system) continue
    findings.address = findings.system.address
    return system
  }
  findings.inner = await innerPages(findings.front.links, here)
  // without a system to say where it lives, a redirect inside the same host is only its way of opening
  findings.address = addressText(here.address.origin === asked.origin ? asked : here.address)
  return undefined
}

/** Looks at a few pages that the front page leads to. */
async function innerPages(links: readonly string[], visitor: Visitor): Promise<Findings['inner']> {
  const pages = links
    .filter(
      (url) =>
        !/\.(?:png|jpe?g|gif|svg|webp|css|js|pdf|zip|ico)$/i.test(url) && isOn({ ...visitor.address, base: '/' }, url),
    )
    .slice(0, INNER_LOOKS)
  const answers = await Promise.all(pages.map((url) => visitor.get(url).catch(unlessStopped)))
  return answers.flatMap((answer, index) => {
    if (!answer) return []
    const { listing } = pageFacts(answer)
    return [
      {
        url: pages[index] ?? answer.url,
        status: answer.status,
        weight: listing ? 0 : letterWeight(textBlocks(answer.text).join(' ')),
      },
    ]
  })
}
