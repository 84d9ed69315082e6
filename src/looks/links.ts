import { load } from 'cheerio'
import { bad, good, type Look } from './look.js'
import { folded } from './shows.js'

/** Whether visitors find links with these labels, in this order. */
export const links: Look<{ look: 'links'; labels: readonly string[]; anyOrder?: true }> = async (
  { labels, anyOrder = false },
  { place, visit },
) => {
  const answer = await visit(place)
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  const $ = load(answer.text)
  const texts = $('a[href]')
    .toArray()
    .map((element) => folded($(element).text()))
  let from = 0
  for (const label of labels) {
    const at = texts.indexOf(folded(label), from)
    if (at < 0) return bad(`${answer.url} has no link “${label}”${from > 0 ? ' behind those before it' : ''}`)
    if (!anyOrder) from = at + 1
  }
  return good(answer.url)
}
