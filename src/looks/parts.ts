import { load, type CheerioAPI } from 'cheerio'
import { foldSpace, foldTypography, textBlocks } from '../core/text/plain.js'
import type { Answer } from '../web/answer.js'
import { bad, type Outcome } from './look.js'

/* The parts of a page, by what HTML itself says they are. */

export const folded = (text: string): string => foldSpace(foldTypography(text))

/** What keeps visitors from seeing a page at all. */
export function closedTo(answer: Answer): Outcome | undefined {
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  const sentAway = answer.hops.length > 0 && load(answer.text)('input[type=password]').length > 0
  return sentAway ? bad(`a log-in page stands in front of the site: visitors are sent to ${answer.url}`) : undefined
}

const MAIN = 'main, [role=main]'
const HEADINGS = 'h1, h2, h3, h4, h5, h6'
const textsOf = ($: CheerioAPI, selector: string): string[] =>
  $(selector)
    .toArray()
    .map((element) => $(element).text())

/** The selector of what a page is about: its main part, or else its articles; nothing where it marks neither. */
const mainOf = ($: CheerioAPI): string | undefined => [MAIN, 'article'].find((selector) => $(selector).length > 0)

/** The HTML of what a page is about; nothing where it does not mark that. */
export function mainPart($: CheerioAPI): string | undefined {
  const main = mainOf($)
  return main === undefined ? undefined : $.html($(main))
}

/** What the whole site is called on a page: in the document's title, and in headings outside of what the page is about. */
export const siteTitles = ($: CheerioAPI): string[] => [
  ...textsOf($, 'head > title').slice(0, 1),
  ...$(HEADINGS)
    .toArray()
    .filter((element) => $(element).closest(`${MAIN}, article`).length === 0)
    .map((element) => $(element).text()),
]

/** What a page itself is called: in the document's title, and in the headings of what it is about. */
export function pageTitles($: CheerioAPI): string[] {
  const main = mainOf($)
  const headings = main === undefined ? $(HEADINGS) : $(main).find(HEADINGS)
  return [...textsOf($, 'head > title').slice(0, 1), ...headings.toArray().map((element) => $(element).text())]
}

/** The links in a page's navigations, each navigation by itself. */
export const navigations = ($: CheerioAPI): string[][] =>
  $('nav, [role=navigation]')
    .toArray()
    .map((element) => linkTexts($, $(element).find('a[href]').toArray()))
export const allLinks = ($: CheerioAPI): string[] => linkTexts($, $('a[href]').toArray())
const linkTexts = ($: CheerioAPI, links: Parameters<CheerioAPI>[0][]): string[] =>
  links.map((element) => folded($(element as never).text()))

/** Whether one of the titles holds a name, as words of their own. */
export function isCalled(titles: readonly string[], name: string): boolean {
  const wanted = folded(name)
  return titles.some((title) => {
    const text = folded(title)
    for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + 1))
      if (!/[\p{L}\p{N}]$/u.test(text.slice(0, at)) && !/^[\p{L}\p{N}]/u.test(text.slice(at + wanted.length)))
        return true
    return false
  })
}

/** The first of these texts that a piece of HTML does not show, and how many more; nothing where it shows all. */
export function lackingIn(html: string, texts: readonly string[], more = ''): string | undefined {
  const seen = folded(`${more} ${textBlocks(html).join(' ')}`)
  const [first, ...others] = texts.filter((text) => !seen.includes(folded(text)))
  if (first === undefined) return undefined
  return `“${first.slice(0, 80)}”${others.length > 0 ? ` and ${others.length} more` : ''}`
}
