import { load } from 'cheerio'
import type { Marks } from '../../core/shipped.js'
import type { Baseline } from '../../core/baseline/schema.js'
import { textBlocks } from '../../core/text/plain.js'
import { localeOf } from './locale.js'
import { isShippedAsSeen } from './shipped-on-page.js'
import { shippedWords, type ShippedWords } from './shipped-texts.js'

/** Marks of what ships, before anybody touched it. */
export const shipped: Marks = { place: true, untouched: true, known: true }

/** The words that ship in the baseline's language, as far as the system has it. */
export function wordsFor(baseline: Baseline): ShippedWords {
  const locale = localeOf(baseline.site.language ?? 'en') || 'en_US'
  return shippedWords.find((words) => words.locale === locale) ?? (shippedWords[0] as ShippedWords)
}

/** Whether an element of a public page holds just a text that ships. */
export function showsShippedText(html: string, home: string): boolean {
  if (textBlocks(html).length === 0) return false
  const $ = load(html)
  const pieces = $('body *').not('script, style').toArray()
  return pieces.some((element) => isShippedAsSeen($.html($(element).contents()), home))
}
