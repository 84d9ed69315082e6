import { load } from 'cheerio'
import type { Answer } from '../web/answer.js'

const LOADED: readonly [selector: string, attribute: string][] = [
  ['script[src], img[src], iframe[src], source[src], audio[src], video[src], embed[src]', 'src'],
  ['link[rel~=stylesheet][href], link[rel~=icon][href], link[rel~=preload][href]', 'href'],
  ['object[data]', 'data'],
]

/** The hosts that a page has a visitor's browser load something from, its own apart: each learns who looked. */
export function otherHosts({ text, url }: Answer): string[] {
  const $ = load(text)
  const own = new URL(url).host
  const addresses = LOADED.flatMap(([selector, attribute]) =>
    $(selector)
      .toArray()
      .map((element) => $(element).attr(attribute) ?? ''),
  )
  const hosts = addresses.flatMap((address) => {
    if (!URL.canParse(address, url)) return []
    const { host, protocol } = new URL(address, url)
    return /^https?:$/.test(protocol) && host !== own ? [host] : []
  })
  return [...new Set(hosts)].sort()
}
