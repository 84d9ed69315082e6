import { Parser } from 'htmlparser2'

/**
 * Where the links and pictures of a piece of HTML lead, in their order. A known text with another link is another text.
 * @example leadsIn('<a href="/hours">Hours</a><img src="/tide.png">') // ['/hours', '/tide.png']
 */
export function leadsIn(html: string): string[] {
  const found: string[] = []
  const parser = new Parser(
    {
      onopentag: (_name, { href, src, srcset, data, poster }) => {
        for (const to of [href, src, srcset, data, poster]) if (to !== undefined) found.push(to)
      },
    },
    { decodeEntities: true },
  )
  parser.write(html)
  parser.end()
  return found
}
