import { load, type CheerioAPI } from 'cheerio'
import type { SearchLook } from '../core/goods/product-looks.js'
import { bad, good, type Look } from './look.js'
import { closedTo, folded } from './parts.js'

/**
 * Whether the site's own search finds something.
 * @param placeOf where it is searched for a word
 * @param namesOn what a page of results lists
 * @example const looks = { search: searchAt((word) => `/search?for=${encodeURIComponent(word)}`, ($) => [$('main').text()]) }
 */
export const searchAt =
  (placeOf: (word: string) => string, namesOn: ($: CheerioAPI) => string[]): Look<SearchLook> =>
  async ({ word, finds }, { visit }) => {
    const answer = await visit(placeOf(word))
    const closed = closedTo(answer)
    if (closed) return closed
    const names = namesOn(load(answer.text)).map(folded)
    return names.includes(folded(finds)) ? good(answer.url) : bad(`${answer.url} does not find “${finds}”`)
  }
