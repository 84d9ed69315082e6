import { Parser } from 'htmlparser2'

/** An entry of a list of links. */
export interface Outline {
  title: string
  link: string
  description: string
}

/**
 * The links in an OPML list, groups or none.
 * @returns `undefined` where the text is no OPML
 * @see http://opml.org/spec2.opml
 */
export function outlinesIn(text: string): Outline[] | undefined {
  const found: Outline[] = []
  const names = new Set<string>()
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        names.add(name)
        const link = attributes.htmlUrl ?? attributes.url ?? ''
        if (name === 'outline' && /^https?:\/\//.test(link))
          found.push({
            title: attributes.title ?? attributes.text ?? link,
            link,
            description: attributes.description ?? '',
          })
      },
    },
    { xmlMode: true, decodeEntities: true },
  )
  parser.write(text)
  parser.end()
  return names.has('opml') ? found : undefined
}
