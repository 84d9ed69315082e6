import { load, type CheerioAPI } from 'cheerio'
import type { PageFacts } from '../core/findings.js'
import { foldSpace } from '../core/text/plain.js'
import type { Answer } from './answer.js'
import { unescaped } from '../core/text/percent.js'

// Han, kana and the like carry in one letter what others spell with about three.
const dense = /[\p{sc=Han}\p{sc=Hiragana}\p{sc=Katakana}\p{sc=Hangul}\p{sc=Thai}]/gu
const letters = /[\p{L}\p{N}]/gu
const onDisk = /(?<![\p{L}\p{N}:/.])\/[a-z][\w.-]*(?:\/[\w.*-]+)+/giu

/** Letters of a page that are weighed: more would change no verdict. */
const LONGEST = 200_000

/** How much there is to read in a text. */
export const letterWeight = (text: string): number =>
  (text.match(letters)?.length ?? 0) + 2 * (text.match(dense)?.length ?? 0)

/** Reads a page's structure. */
export function pageFacts(answer: Answer): PageFacts {
  const type = answer.headers['content-type'] ?? 'text/html'
  const isPage = /html|text\/plain/.test(type)
  const facts: PageFacts = {
    status: answer.status,
    isPage,
    weight: 0,
    prose: 0,
    letters: 0,
    pictures: 0,
    links: [],
    elsewhere: [],
    embeds: 0,
    namesItself: false,
    diskPaths: 0,
    asksPassword: false,
  }
  if (!isPage) return facts
  const $ = load(answer.text)
  const scripts = $('script').length
  $('script, style, noscript, template').remove()
  $('br').replaceWith('\n')
  $('h1, h2, h3, h4, h5, h6, p, pre, div, li, dt, dd, td, th, section, article').append('\n')
  const text = foldSpace($('body').text()).slice(0, LONGEST)
  facts.asksPassword = $('input[type=password]').length > 0
  facts.weight = letterWeight(text)
  facts.diskPaths = text.match(onDisk)?.length ?? 0
  facts.pictures = own($, answer.url, 'img[src], video[src]', 'src').length
  facts.embeds = scripts + $('iframe, frame, object, embed, canvas, svg, img, video').length - facts.pictures
  facts.links = [
    ...new Set(
      own($, answer.url, 'a[href], area[href]', 'href').filter((url) => !url.includes('?') && url !== answer.url),
    ),
  ]
  facts.elsewhere = otherHosts($, answer.url)
  facts.namesItself = namesItself($, new URL(answer.url).hostname)
  facts.listing = listing($, answer.url)
  $('a, button, h1, h2, h3, h4, h5, h6, nav, form, select, title').remove()
  const sentences = $('body')
    .text()
    .slice(0, LONGEST)
    .split('\n')
    .map(foldSpace)
    .filter((text) => letterWeight(text) >= 25)
  facts.prose = letterWeight(sentences.join(' '))
  facts.letters = sentences.join(' ').match(letters)?.length ?? 0
  return facts
}

/** The hosts other than a page's own that its links lead to. */
function otherHosts($: CheerioAPI, page: string): string[] {
  const hosts = $('a[href], area[href]')
    .toArray()
    .flatMap((element) => {
      const value = $(element).attr('href') ?? ''
      const url = URL.canParse(value, page) ? new URL(value, page) : undefined
      return url && /^https?:$/.test(url.protocol) && url.host !== new URL(page).host ? [url.host] : []
    })
  return [...new Set(hosts)]
}

/** Whether a title or a heading names a host. */
const namesItself = ($: CheerioAPI, host: string): boolean =>
  $('title, h1, h2')
    .toArray()
    .some((element) =>
      $(element)
        .text()
        .toLowerCase()
        .includes(host.replace(/^www\./, '')),
    )

/** Addresses that an element names, of the page's own host, without the part behind #. */
function own($: CheerioAPI, page: string, selector: string, attribute: string): string[] {
  return $(selector)
    .toArray()
    .flatMap((element) => {
      const value = $(element).attr(attribute) ?? ''
      if (!URL.canParse(value, page)) return []
      const url = new URL(value, page)
      url.hash = ''
      return url.origin === new URL(page).origin ? [url.href] : []
    })
}

/** A folder's list of files: headed by the folder's own path, and made of nothing but links to what lies in it. */
function listing($: CheerioAPI, page: string): PageFacts['listing'] {
  const heading = foldSpace($('h1').first().text())
  const path = unescaped(new URL(page).pathname)
  if (heading === '' || heading !== foldSpace($('title').text()) || !heading.endsWith(` ${path}`)) return undefined
  const hrefs = $('a[href]')
    .toArray()
    .map((element) => $(element).attr('href') ?? '')
    .filter((href) => !href.startsWith('?') && href !== '../' && href !== '/' && !/^https?:/.test(href))
  const files = hrefs.filter((href) => /^[^/?#]+\/?$/.test(href)).map((href) => unescaped(href))
  return { files }
}
