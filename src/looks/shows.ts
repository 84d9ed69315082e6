import { load } from 'cheerio'
import { foldSpace, foldTypography, textBlocks } from '../core/text/plain.js'
import type { Answer } from '../web/answer.js'
import { bad, good, type Look, type Outcome } from './look.js'

export const folded = (text: string): string => foldSpace(foldTypography(text))

/** Whether a page shows all of these texts. */
export const shows: Look<{ look: 'shows'; texts: readonly string[] }> = async ({ texts }, { place, visit }) =>
  shown(await visit(place), texts)

/** Whether an answer shows all of these texts. */
export function shown(answer: Answer, texts: readonly string[]): Outcome {
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  const sentAway = answer.hops.length > 0 && load(answer.text)('input[type=password]').length > 0
  if (sentAway) return bad(`a log-in page stands in front of the site: visitors are sent to ${answer.url}`)
  const title = load(answer.text)('title').first().text()
  const seen = folded(`${title} ${textBlocks(answer.text).join(' ')}`)
  const missing = texts.filter((text) => !seen.includes(folded(text)))
  return missing.length === 0
    ? good(answer.url)
    : bad(
        `${answer.url} does not show “${(missing[0] ?? '').slice(0, 80)}”${missing.length > 1 ? ` and ${missing.length - 1} more` : ''}`,
      )
}
