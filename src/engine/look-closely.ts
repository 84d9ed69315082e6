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

/** What one look has added to the findings, and the system, where one is known. */
interface Seen {
  findings: Partial<Findings>
  system?: System
}

/**
 * Looks closely at what answered: its page, the system behind it, and where no system is known, a few pages it leads to. What was
 * seen is given look by look: it stays where a later look fails.
 * @param here a visitor at the folder where the front page was found
 */
export async function* lookClosely(
  front: Answer,
  asked: SiteAddress,
  here: Visitor,
  systems: Systems | undefined,
): AsyncGenerator<Seen> {
  const facts = pageFacts(front)
  yield { findings: { hops: [...front.hops], front: facts } }
  const look = async (way: () => Promise<Answer>): Promise<Answer | undefined> =>
    here.traffic.requests >= MOST_REQUESTS ? undefined : way().catch(unlessStopped)
  const get = (place: string) => look(() => here.get(place))
  const ask = (place: string, json: unknown) => look(() => here.query(place, json))
  for (const system of await knownSystems(systems)) {
    const known = await system.recognise({ front, get, ask })
    if (!known) continue
    yield { findings: { system: known, address: known.address }, system }
    return
  }
  // without a system to say where it lives, a redirect inside the same host is only its way of opening
  const address = addressText(here.address.origin === asked.origin ? asked : here.address)
  yield { findings: { inner: await innerPages(facts.links, here), address } }
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
