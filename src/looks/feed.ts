import { SaxesParser } from 'saxes'
import type { FeedLook } from '../core/looking.js'
import { bad, good, type Look } from './look.js'

/**
 * Whether the feed can be read, and holds no more than it may.
 * @param feed where visitors find it
 * @example const site = { looks: { feed: feedAt('/feed.xml') } }
 */
export const feedAt =
  (feed: string): Look<FeedLook> =>
  async ({ most }, { visit }) => {
    const answer = await visit(feed)
    if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
    const { root, items, flaw } = readXml(answer.text)
    if (flaw !== undefined) return bad(`${answer.url}: ${flaw}`)
    if (root === undefined || !['rss', 'feed', 'rdf:RDF'].includes(root))
      return bad(`${answer.url} is XML, but no feed`)
    return most === undefined || items <= most ? good(answer.url) : bad(`${answer.url} holds ${items} posts`)
  }

function readXml(text: string): { root?: string; items: number; flaw?: string } {
  let root: string | undefined
  let flaw: string | undefined
  let items = 0
  const parser = new SaxesParser()
  parser.on('opentag', ({ name }) => {
    root ??= name
    if (name === 'item' || name === 'entry') items += 1
  })
  parser.on('error', () => (flaw ??= 'it is not well-formed XML'))
  parser.write(text).close()
  return { root, items, flaw }
}
