import { digest } from '../../core/text/digest.js'
import { strippedText } from '../../core/text/plain.js'
import { shippedDigest } from './marks.js'
import { shippedTexts } from './shipped-texts.js'

const digests = new Set(Object.values(shippedTexts).flatMap((texts) => [...texts]))

/** On the way to a visitor the system makes quotes and dashes typographic; texts ship with plain ones. */
const plainer = (text: string): string =>
  text
    .replace(/[\u2018\u2019]/g, "'")
    .replace(/[\u201c\u201d]/g, '"')
    .replace(/\u2026/g, '...')
    .replace(/ [\u2013\u2014] /g, ' - ')

/** Whether a piece of a page holds just a text that ships, as visitors get to see it. */
export function isShippedAsSeen(html: string, home: string): boolean {
  const text = strippedText(html)
  return [text, plainer(text)].some((form) => digests.has(digest(form)) || digests.has(shippedDigest(form, home)))
}
