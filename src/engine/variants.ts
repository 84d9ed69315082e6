import type { Dispatcher } from 'undici'
import { UnpackError } from '../core/errors.js'
import { addressText, type SiteAddress } from '../core/address.js'
import type { Findings } from '../core/findings.js'
import { NoAnswer } from '../web/failure.js'
import type { Traffic } from '../web/traffic.js'
import { Visitor } from '../web/visitor.js'

/** Looks which others of http and https, with and without www, answer, and where they lead; for host names on the usual ports. */
export async function variantsOf(
  asked: SiteAddress,
  lines: Dispatcher,
  traffic: Traffic,
  signal?: AbortSignal,
): Promise<Findings['variants']> {
  const { hostname, port } = new URL(asked.origin)
  const isName =
    /[a-z]/i.test(hostname) && hostname.includes('.') && !hostname.startsWith('[') && !hostname.endsWith('.localhost')
  if (port !== '' || !isName) return []
  const bare = hostname.replace(/^www\./, '')
  const origins = ['https', 'http']
    .flatMap((scheme) => [bare, `www.${bare}`].map((host) => `${scheme}://${host}`))
    .filter((origin) => origin !== asked.origin)
  return Promise.all(
    origins.map(async (origin) => {
      const address = { ...asked, origin }
      const visitor = new Visitor(address, lines, traffic, { signal, roams: true })
      try {
        const answer = await visitor.get('/', { follow: false })
        const { location } = answer.headers
        const to =
          answer.status >= 300 && answer.status < 400 && location !== undefined && URL.canParse(location, visitor.home)
            ? new URL(location, visitor.home).href
            : undefined
        return {
          address: addressText(address),
          says: to === undefined ? `answers (HTTP ${answer.status})` : 'leads on',
          ...(to !== undefined && { leadsTo: to }),
        }
      } catch (error) {
        if (error instanceof NoAnswer) return { address: addressText(address), says: error.failure.text }
        if (!(error instanceof UnpackError)) throw error
        return { address: addressText(address), says: error.code === 'stopped' ? 'no answer in time' : error.message }
      }
    }),
  )
}
