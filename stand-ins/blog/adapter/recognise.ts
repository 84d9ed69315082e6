import { digest, foldSpace, originOf, provenIn, textBlocks, type FirstLook, type Recognised } from 'unpack'
import { load } from 'cheerio'
import { frontOf, isHere } from '../../common/adapter/here.js'
import { shippedTexts } from './shipped-texts.js'

const generator = /^Stand-in blog ([\d.]+)$/
const TRIED = ['1.0']

/** Knows the stand-in by what it says of itself in its pages' head, and by its first-run form. */
export async function recognise({ front, get }: FirstLook): Promise<Recognised | undefined> {
  const $ = load(front.text)
  const version = generator.exec($('meta[name=generator]').attr('content') ?? '')?.[1]
  // nobody's real site says that it is one: it stands on this very machine, or is none
  if (version === undefined || !isHere(front.url)) return undefined
  const known = { id: 'stand-in-blog', name: 'Stand-in blog', version, ...provenIn(version, TRIED) }
  if (front.status === 503)
    return { ...known, state: 'broken', address: front.url, trouble: 'it is closed for maintenance (HTTP 503)' }
  // where a log-in page stands in front of it, visitors see nothing else
  if ($('form#enter').length > 0) return { ...known, state: 'set up', address: front.url.replace(/enter\/?$/, '') }
  if ($('form#first-run').length > 0)
    return { ...known, state: 'first-run', address: front.url.replace(/setup\/?$/, '') }
  const links = (selector: string) => [
    ...new Set(
      $(selector)
        .toArray()
        .map((element) => ($(element).attr('href') ?? '').replace(/\/$/, '')),
    ),
  ]
  const looked = await Promise.all(
    [
      ...links('nav a.page').map((href) => ['pages', href] as const),
      ...links('article.post h2 a').map((href) => ['posts', href] as const),
    ]
      .slice(0, 6)
      .map(async ([area, href]) => {
        const answer = await get(new URL(href, front.url).href)
        const known =
          answer !== undefined &&
          shippedTexts.has(digest(foldSpace(textBlocks(load(answer.text)('.text').first().html() ?? '').join(' '))))
        return { ref: `${area}/${href.split('/').at(-1)}`, origin: originOf({ place: known, untouched: known, known }) }
      }),
  )
  return { ...known, state: 'set up', address: frontOf($, front.url), seen: looked }
}
