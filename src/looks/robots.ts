import { load } from 'cheerio'
import { isClosedToRobots } from '../web/robots.js'
import { bad, good, type Look } from './look.js'

/** Whether a page lets search engines in: its own words, its head's, and the rules for all robots (RFC 9309). */
export const robots: Look<{ look: 'robots'; welcome: boolean }> = async ({ welcome }, { place, home, visit }) => {
  const [front, rules] = [await visit(place), await visit(new URL('/robots.txt', home).href)]
  const meta = load(front.text)('meta[name=robots]')
    .toArray()
    .map((element) => element.attribs.content ?? '')
    .join(',')
  const turnedAway =
    /noindex|none/i.test(`${meta},${front.headers['x-robots-tag'] ?? ''}`) ||
    (rules.status === 200 && isClosedToRobots(rules, front.url))
  if (turnedAway === !welcome) return good(front.url)
  return bad(welcome ? `${front.url} turns search engines away` : `${front.url} lets search engines in`)
}
