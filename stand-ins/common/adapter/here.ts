import type { CheerioAPI } from 'cheerio'
import { isThisMachine, parseAddress } from 'unpack'

/** Whether a page came from this very machine: stand-ins are nowhere else. */
export function isHere(url: string): boolean {
  const { origin } = new URL(url)
  const address = parseAddress(origin)
  return address !== null && isThisMachine(address)
}

/** Where a stand-in says that it is: the front, to which its name leads on every page, whatever address was asked. */
export const frontOf = ($: CheerioAPI, url: string): string =>
  new URL($('header .name a').first().attr('href') ?? '', url).href
