import { originOf, provenIn, type FirstLook, type Recognised } from 'unpack'
import { load } from 'cheerio'
import { frontOf, isHere } from '../../common/adapter/here.js'
import { isShippedText, shipped } from './shipped.js'

const generator = /^Stand-in content site ([\d.]+)$/
const TRIED = ['1.0']
const MOST = 6

/** Knows the stand-in by what it says of itself in its pages' head, and by what stands where no site is made yet. */
export async function recognise({ front, get }: FirstLook): Promise<Recognised | undefined> {
  const $ = load(front.text)
  const version = generator.exec($('meta[name=generator]').attr('content') ?? '')?.[1]
  // nobody's real site says that it is one: it stands on this very machine, or is none
  if (version === undefined || !isHere(front.url)) return undefined
  const known = { id: 'stand-in-content', name: 'Stand-in content site', version, ...provenIn(version, TRIED) }
  if ($('main#unmade, form#first-run').length > 0)
    return { ...known, state: 'first-run', address: front.url.replace(/setup\/?$/, '') }
  const address = frontOf($, front.url)
  const map = await get(new URL('map', address).href)
  const places = load(map?.text ?? '')('#map a')
    .toArray()
    .flatMap((link) => link.attribs.href ?? [])
  const seen = await Promise.all(
    places.slice(0, MOST).map(async (href) => {
      const answer = await get(new URL(href, front.url).href)
      const ships = answer !== undefined && isShippedText(load(answer.text)('.text').first().html() ?? '')
      const ref = `pages/${href.replace(new URL(address).pathname, '').replace(/\/$/, '')}`
      return { ref, origin: originOf(ships ? shipped : undefined) }
    }),
  )
  return { ...known, state: 'set up', address, seen }
}
