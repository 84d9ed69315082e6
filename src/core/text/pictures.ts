import { Parser } from 'htmlparser2'

const tag = /<img\b[^>]*?\bsrc="([^"]*)"[^>]*>/g

/** The addresses of the pictures in a piece of HTML. */
export function sourcesIn(html: string): string[] {
  const found: string[] = []
  const parser = new Parser({
    onopentag: (name, attributes) => {
      if (name === 'img' && attributes.src !== undefined) found.push(attributes.src)
    },
  })
  parser.write(html)
  parser.end()
  return found
}

/** Gives pictures other addresses: `undefined` leaves one as it is. For HTML that quotes its attributes, as ours does. */
export const withSources = (html: string, change: (source: string) => string | undefined): string =>
  html.replace(tag, (whole, source: string) => {
    const to = change(source.replaceAll('&amp;', '&'))
    return to === undefined ? whole : whole.replace(`src="${source}"`, `src="${to}"`)
  })
