import { Parser } from 'htmlparser2'
import { uploadIn } from '../upload.js'
import { digest } from './digest.js'
import { foldSpace } from './plain.js'

// What a system adds or drops without changing what the owner wrote.
const ignored = new Set(['html', 'head', 'body', 'div', 'span', 'tbody', 'thead', 'figure'])

/**
 * The normal form of a body: two bodies are the same text when their normal forms are equal. Kept are the text, the kinds
 * of its blocks and emphasis, and where links and pictures lead; gone are comments, classes, wrappers and white space.
 * @example normalForm('<p class="lead">Kelp</p>') // '<p>\nKelp\n</p>'
 */
export function normalForm(html: string): string {
  const parts: string[] = []
  let text = ''
  const flush = () => {
    const folded = foldSpace(text)
    if (folded !== '') parts.push(folded)
    text = ''
  }
  const parser = new Parser(
    {
      onopentag: (name, attributes) => {
        if (ignored.has(name)) return
        flush()
        const leads = attributes.href ?? attributes.src
        // an upload of ours is the same picture wherever the site keeps it
        parts.push(leads === undefined ? `<${name}>` : `<${name} ${uploadIn(leads) ?? leads}>`)
      },
      ontext: (part) => (text += part),
      onclosetag: (name) => {
        if (ignored.has(name)) return
        flush()
        parts.push(`</${name}>`)
      },
    },
    { decodeEntities: true },
  )
  parser.write(html)
  parser.end()
  flush()
  return parts.join('\n')
}

/**
 * True if two bodies say the same, whatever a system did to their HTML.
 * @example sameText('<p>Kelp</p>', '<div><p>Kelp </p></div>') // true
 */
export const sameText = (one: string, other: string): boolean => normalForm(one) === normalForm(other)

/**
 * The digest under which a body that we wrote is remembered.
 * @example bodyDigest('<p class="lead">Kelp</p>') === bodyDigest('<p>Kelp</p>') // true
 */
export const bodyDigest = (html: string): string => digest(normalForm(html))
