import { load } from 'cheerio'
import type { Answer } from '../web/answer.js'
import { bad, good, type Look, type Outcome } from './look.js'
import { closedTo, lackingIn } from './parts.js'

/** Whether a page shows all of these texts, wherever they stand. */
export const shows: Look<{ look: 'shows'; texts: readonly string[] }> = async ({ texts }, { place, visit }) =>
  shown(await visit(place), texts)

/** Whether an answer shows all of these texts. */
export function shown(answer: Answer, texts: readonly string[]): Outcome {
  const closed = closedTo(answer)
  if (closed) return closed
  const lacking = lackingIn(answer.text, texts, load(answer.text)('title').first().text())
  return lacking === undefined ? good(answer.url) : bad(`${answer.url} does not show ${lacking}`)
}
