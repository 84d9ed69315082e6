import { load } from 'cheerio'
import { bad, good, notLookedAt, type Look } from './look.js'
import { closedTo, isCalled, lackingIn, mainPart, pageTitles } from './parts.js'

/** Whether a page is called so, where titles stand, and shows these texts in what it is about. */
export const entry: Look<{ look: 'entry'; title?: string; texts: readonly string[] }> = async (
  { title, texts },
  { place, visit },
) => {
  const answer = await visit(place)
  const closed = closedTo(answer)
  if (closed) return closed
  const $ = load(answer.text)
  const titles = pageTitles($)
  if (title !== undefined && titles.length > 0 && !isCalled(titles, title))
    return bad(`${answer.url} is not called “${title.slice(0, 80)}”`)
  const main = mainPart($)
  const lacking = main === undefined ? lackingIn(answer.text, texts) : lackingIn(main, texts)
  if (lacking !== undefined) return bad(`${answer.url} does not show ${lacking}`)
  if (title !== undefined && titles.length === 0) return notLookedAt(`${answer.url} has neither a title nor a heading`)
  if (main === undefined && texts.length > 0) return notLookedAt(`${answer.url} does not mark its main part`)
  return good(answer.url)
}
