import { load, type CheerioAPI } from 'cheerio'
import type { SearchLook } from '../core/goods/product-looks.js'
import { bad, good, type Look } from './look.js'
import { closedTo, folded } from './parts.js'

/**
 * Whether the site's own search finds something.
 * @param placeOf where it is searched for some words
 * @param namesOn what a page of results lists
 * @example const looks = { search: searchAt((words) => `/search?for=${encodeURIComponent(words)}`, ($) => [$('main').text()]) }
 */
export const searchAt =
  (placeOf: (words: string) => string, namesOn: ($: CheerioAPI) => string[]): Look<SearchLook> =>
  async ({ words, finds }, { visit }) => {
    const answer = await visit(placeOf(words))
    const closed = closedTo(answer)
    if (closed) return closed
    const names = namesOn(load(answer.text)).map(folded)
    return names.includes(folded(finds)) ? good(answer.url) : bad(`${answer.url} does not find “${finds}”`)
  }
