import { load } from 'cheerio'
import type { LogoLook } from '../core/areas/site.js'
import { bad, good, type Look } from './look.js'

/**
 * Whether a page shows the site's logo, and the picture loads.
 * @param picture a CSS selector of the picture
 * @example const looks = { logo: logoAt('header .logo img') }
 */
export const logoAt =
  (picture: string): Look<LogoLook> =>
  async (_expected, { place, visit }) => {
    const answer = await visit(place)
    const src = load(answer.text)(picture).first().attr('src') ?? ''
    if (src === '') return bad(`${answer.url} shows no logo of its own`)
    const { status } = await visit(new URL(src, answer.url).href)
    return status === 200 ? good(src) : bad(`${src} answers HTTP ${status}`)
  }
