import { load } from 'cheerio'
import { bad, good, notLookedAt, type Look } from './look.js'

/** Whether a page names an icon for the browser's tab, and it is there. */
export const icon: Look<{ look: 'icon' }> = async (_expected, { place, home, visit }) => {
  const answer = await visit(place)
  const href = load(answer.text)('link[rel~=icon]').first().attr('href')
  if (href === undefined || !URL.canParse(href, answer.url)) return bad(`${answer.url} names no icon`)
  const url = new URL(href, answer.url)
  if (url.origin !== new URL(home).origin) return notLookedAt(`it lies on another host: ${url.href}`)
  const { status } = await visit(url.href)
  return status === 200 ? good(url.href) : bad(`${url.href} answers HTTP ${status}`)
}
