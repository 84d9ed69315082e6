import { Parser } from 'htmlparser2'

/* Links in texts. The file counts them from a page's own address, as if it ended in a slash; this system from the folder. */

/** Where a link of a text leads, from the site's address on; `undefined` where it leads off the site. */
function placeIn(href: string, from: string, home: string): string | undefined {
  if (!URL.canParse(href, from)) return undefined
  const url = new URL(href, from)
  const base = new URL(home)
  if (url.origin !== base.origin || !url.pathname.startsWith(base.pathname)) return undefined
  return `${url.pathname.slice(base.pathname.length)}${url.search}${url.hash}`
}
const bare = (place: string): string => place.replace(/\/(?=$|[?#])/, '')

const links = (html: string): string[] => {
  const found: string[] = []
  const parser = new Parser({
    onopentag(_name, { href, src }) {
      const to = href ?? src
      if (to !== undefined) found.push(to)
    },
  })
  parser.write(html)
  parser.end()
  return found
}
const SIZED = /\/@@images\/[^/?#]*(?:\/[^/?#]*)?$/
const attribute = /(\s(?:href|src)=")([^"]*)"/g
const plain = (text: string): string => text.replaceAll('&amp;', '&')
const quoted = (text: string): string => text.replaceAll('&', '&amp;')
const exchanged = (html: string, change: (href: string) => string | undefined): string =>
  html.replace(attribute, (whole, before: string, href: string) => {
    const to = change(plain(href))
    return to === undefined ? whole : `${before}${quoted(to)}"`
  })

/**
 * A text as it is sent: links to the site itself are counted from the folder that the item stands in, so that they lead there
 * at whatever address the site is found.
 * @param path where the page is found
 * @param depth how many folders the item stands in
 */
export const textToSend = (html: string, path: string, depth: number, home: string): string =>
  exchanged(html, (href) => {
    if (/^(?:#|[a-z][a-z0-9+.-]*:(?!\/\/))/i.test(href)) return undefined
    const place = placeIn(href, `${home}${path === '' ? '' : `${path}/`}`, home)
    return place === undefined ? undefined : `${'../'.repeat(depth)}${bare(place)}` || './'
  })

/** The HTTP interface resolves entities in what it is sent, once too often. */
export const escapedOnce = (html: string): string => html.replaceAll('&', '&amp;')
/** A text as the HTTP interface takes it. */
export const richText = (html: string) => ({
  data: escapedOnce(html),
  'content-type': 'text/html',
  encoding: 'utf-8',
})
/** A file as the HTTP interface takes it. */
export const fileField = (file: string, type: string, bytes: Uint8Array) => ({
  data: Buffer.from(bytes).toString('base64'),
  encoding: 'base64',
  filename: file,
  'content-type': type,
})

/** A text as the site has it, whatever the file says and wherever the site is found. */
export const storedText = (read: string, home: string): string => read.replaceAll(home, '')

/**
 * A text as it was read, with links to where planned ones lead written as they are planned: the system gives whole addresses.
 * @param planned the text that the file has for it
 */
export function textAsPlanned(read: string, planned: string | undefined, path: string, home: string): string {
  // pictures are shown in a size that the system has made of them
  const html = exchanged(read, (href) => (SIZED.test(href) ? href.replace(SIZED, '') : undefined))
  if (planned === undefined) return html
  const base = `${home}${path === '' ? '' : `${path}/`}`
  const known = new Map(
    links(planned).flatMap((href) => {
      const place = placeIn(href, base, home)
      return place === undefined ? [] : [[bare(place), href] as const]
    }),
  )
  return exchanged(html, (href) => {
    const place = placeIn(href, base, home)
    return place === undefined ? undefined : known.get(bare(place))
  })
}
