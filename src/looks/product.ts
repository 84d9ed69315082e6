import { load, type CheerioAPI } from 'cheerio'
import { digitsOf } from '../core/money/currency.js'
import { sameDecimal } from '../core/money/decimal.js'
import type { ListedLook, ProductPageLook } from '../core/goods/product-looks.js'
import type { Answer } from '../web/answer.js'
import { bad, good, notLookedAt, type Look } from './look.js'
import { closedTo, folded, isCalled, lackingIn, mainPart, pageTitles } from './parts.js'
import { sumsIn } from './sums.js'

/**
 * Whether a product's page shows its name, what it costs, and its text.
 * @param priceOn the text in which a product's page writes its price; `undefined` where it marks none
 * @param choicesOn what there is to choose on its page, as names and values; left out where products come in no variants
 * @example const looks = { product: productAt(($) => $('.price').text()) }
 */
export const productAt =
  (
    priceOn: ($: CheerioAPI) => string | undefined,
    choicesOn?: ($: CheerioAPI) => readonly (readonly [name: string, value: string])[],
  ): Look<ProductPageLook> =>
  async ({ title, price, currency, texts, choices = {} }, { place, visit }) => {
    const answer = await visit(place)
    const closed = closedTo(answer)
    if (closed) return closed
    const $ = load(answer.text)
    if (!isCalled(pageTitles($), title)) return bad(`${answer.url} is not called “${title.slice(0, 80)}”`)
    const lacking = lackingIn(mainPart($) ?? answer.text, texts)
    if (lacking !== undefined) return bad(`${answer.url} does not show ${lacking}`)
    const there = choicesOn?.($) ?? []
    const missing = Object.entries(choices).find(
      ([name, value]) => !there.some((one) => isSame(one[0], name) && isSame(one[1], value)),
    )
    if (missing) return bad(`${answer.url} does not let one choose “${missing.join(': ')}”`)
    const written = priceOn($)
    if (written === undefined) return notLookedAt(`${answer.url} does not mark its price`)
    return sumsIn(written, currency === undefined ? 2 : digitsOf(currency)).some((sum) => sameDecimal(sum, price))
      ? good(`${answer.url}: ${folded(written)}`)
      : bad(`${answer.url} shows ${folded(written) || 'no price'} instead of ${price}`)
  }

const isSame = (one: string, other: string): boolean => folded(one).toLowerCase() === folded(other).toLowerCase()

/** Pages of one list that are looked through at the most. */
const MOST_PAGES = 50

/**
 * Whether a category's page lists products, or leaves them out, on all of its pages.
 * @param namesOn the names of the products that a page lists
 * @param nextOf where the list goes on, if it does
 * @example const looks = { listed: listedAt(($) => $('.product').toArray().map((one) => $(one).text()), ($) => $('a.next').attr('href')) }
 */
export const listedAt =
  (
    namesOn: ($: CheerioAPI) => string[],
    nextOf: ($: CheerioAPI, url: string) => string | undefined,
  ): Look<ListedLook> =>
  async ({ names, listed }, { place, visit }) => {
    const seen = new Set<string>()
    let answer: Answer | undefined
    let next: string | undefined = place
    let pages = 0
    for (; next !== undefined && pages < MOST_PAGES; pages += 1) {
      answer = await visit(next)
      const closed = closedTo(answer)
      if (closed) return closed
      const $ = load(answer.text)
      for (const name of namesOn($)) seen.add(folded(name))
      const on: string | undefined = nextOf($, answer.url)
      next = on === undefined ? undefined : new URL(on, answer.url).href
    }
    const where = `${place}${pages > 1 ? ` and ${pages - 1} more pages of it` : ''}`
    const wrong = names.filter((name) => seen.has(folded(name)) !== listed)
    if (wrong.length === 0) return good(where)
    const more = wrong.length > 1 ? ` and ${wrong.length - 1} more` : ''
    return bad(`${where} ${listed ? 'does not list' : 'lists'} “${wrong[0] ?? ''}”${more}`)
  }
