import { load } from 'cheerio'
import { z } from 'zod'
import type { Recognised } from '../../core/findings.js'
import { originOf } from '../../core/shipped.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import { isShippedWelcome } from './shipped.js'
import type { FirstLook } from '../system.js'
import { siteId } from './carriers/first-run.js'

const serverSchema = z.object({
  sites: z.array(z.object({ '@id': z.string() })),
  distributions: z.array(z.object({ name: z.string() })),
})

/** What example content has at the top, in every language. */
const SHIPPED = new Set(['news', 'events', 'Members'])

/** What the map of the site shows a visitor; nothing where it is not open to visitors. */
async function seenBy(front: Answer, home: string, get: FirstLook['get']): Promise<Recognised['seen']> {
  const map = await get(`${home}sitemap`)
  if (map?.status !== 200 || map.hops.length > 0) return undefined
  const $ = load(map.text)
  if ($('#content').length === 0) return undefined
  const places = $('#content a[href]')
    .toArray()
    .flatMap((link) => {
      const href = ($(link).attr('href') ?? '').replace(/\/(?:view)?$/, '')
      return href.startsWith(home) ? [href.slice(home.length)] : []
    })
  const welcomed = isShippedWelcome(load(front.text)('#parent-fieldname-text').html() ?? '')
  return [...new Set(places)]
    .filter((place) => place !== '' && !/[@+?]|^(?:sitemap|login)/.test(place))
    .map((place) => {
      const shipped = welcomed && SHIPPED.has(place.split('/')[0] ?? '')
      const marks = { place: true, untouched: true, known: true }
      return { ref: `pages/${place}`, origin: originOf(shipped ? marks : undefined) }
    })
}

/**
 * Knows the system by what its pages say of themselves, and a server that has no such site yet by what it says of its sites,
 * whatever others stand there.
 */
export async function recognise({ front, get }: FirstLook): Promise<Recognised | undefined> {
  const known = { id: 'plone', name: 'Plone', version: '' }
  const $ = load(front.text)
  if (/^Plone\b/.test($('meta[name=generator]').attr('content') ?? '')) {
    const own = $('body').attr('data-portal-url') ?? $('link[rel=canonical]').attr('href') ?? front.url
    const address = `${own.replace(/\/$/, '')}/`
    return { ...known, state: 'set up', address, seen: await seenBy(front, address, get) }
  }
  // a theme may have dropped that, and where there is no such site yet nothing says so: its server knows its sites
  const address = front.url.replace(/[?#].*/, '').replace(/\/?$/, '/')
  if (siteId(new URL(address).pathname) === '') return undefined
  const answer = await get(new URL('/++api++/@sites', front.url).href)
  const server = answer?.status === 200 ? serverSchema.safeParse(jsonOf(answer)).data : undefined
  if (!server?.distributions.some(({ name }) => name === 'classic')) return undefined
  const stands = server.sites.some((site) => `${site['@id'].replace(/\/$/, '')}/` === address)
  if (stands) return { ...known, state: 'set up', address, seen: await seenBy(front, address, get) }
  return front.status === 404 ? { ...known, state: 'first-run', address } : undefined
}
