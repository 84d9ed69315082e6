import { load } from 'cheerio'
import { bad, good, notLookedAt, type Look } from './look.js'
import { closedTo, isCalled, siteTitles } from './parts.js'

/** Whether the site goes by this title: where titles stand, not in a text that may name it too. */
export const title: Look<{ look: 'title'; text: string }> = async ({ text }, { place, visit }) => {
  const answer = await visit(place)
  const closed = closedTo(answer)
  if (closed) return closed
  const titles = siteTitles(load(answer.text))
  if (titles.length === 0) return notLookedAt(`${answer.url} has neither a title nor a heading`)
  return isCalled(titles, text) ? good(answer.url) : bad(`${answer.url} is not called “${text.slice(0, 80)}”`)
}
