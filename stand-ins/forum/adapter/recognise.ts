import { digest, foldSpace, originOf, provenIn, type FirstLook, type Recognised } from 'unpack'
import { load } from 'cheerio'
import { frontOf, isHere } from '../../common/adapter/here.js'
import { shippedTexts } from './shipped-texts.js'

const generator = /^Stand-in forum ([\d.]+)$/
const TRIED = ['1.0']

/** Knows the stand-in by what it says of itself in its pages' head. */
export async function recognise({ front, get }: FirstLook): Promise<Recognised | undefined> {
  const $ = load(front.text)
  const version = generator.exec($('meta[name=generator]').attr('content') ?? '')?.[1]
  // nobody's real site says that it is one: it stands on this very machine, or is none
  if (version === undefined || !isHere(front.url)) return undefined
  const known = {
    id: 'stand-in-forum',
    name: 'Stand-in forum',
    version,
    ...provenIn(version, TRIED),
    address: frontOf($, front.url),
  }
  // closed to visitors: it shows what it is, and nothing of what is in it
  if ($('#shut').length > 0) return { ...known, state: 'set up' }
  const isShipped = (text: string) => shippedTexts.has(digest(foldSpace(text)))
  const judged = (ref: string, shipped: boolean) => ({
    ref,
    origin: originOf({ place: shipped, untouched: shipped, known: shipped }),
  })
  const forums = $('li.forum')
    .toArray()
    .map((row) => ({
      title: $(row).find('h3').text(),
      about: $(row).find('.quiet').text(),
      href: $(row).find('a').attr('href'),
    }))
  const inside = await Promise.all(
    forums.slice(0, 4).map(async ({ href }) => {
      const answer = href === undefined ? undefined : await get(new URL(href, front.url).href)
      const page = load(answer?.text ?? '')
      return page('ul.forums h3 a')
        .toArray()
        .map((link) => judged(`topics/${page(link).text()}`, isShipped(page(link).text())))
    }),
  )
  return {
    ...known,
    state: 'set up',
    seen: [
      ...forums.map(({ title, about }) => judged(`forums/${title}`, isShipped(`${title} ${about}`))),
      ...inside.flat(),
    ],
  }
}
