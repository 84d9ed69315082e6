import { Parser } from 'htmlparser2'

/**
 * Every run of white space, no-break spaces too, becomes one space; the ends are trimmed.
 * @example foldSpace(' high   tide ') // 'high tide'
 */
export const foldSpace = (text: string): string => text.replace(/[\s\u00a0\u202f]+/g, ' ').trim()

/**
 * Typographic quotes, dashes and dots become the keyboard's: systems rewrite them on the way to the visitor.
 * @example foldTypography('“tide’s in”…') // '"tide\'s in"...'
 */
export const foldTypography = (text: string): string =>
  text
    .replace(/[\u2018\u2019\u201a\u2032]/g, "'")
    .replace(/[\u201c\u201d\u201e\u2033]/g, '"')
    .replace(/\u2026/g, '...')
    .replace(/(\d)\u00d7(?=\d)/g, '$1x')
    .replace(/\s*(?:[\u2013\u2014]|--+)\s*/g, ' - ')

/**
 * What a reader sees of HTML within a line, white space as it stands: comments and tags removed, entities decoded.
 * @example shownText('<em>Salt</em> &amp; rope') // 'Salt & rope'
 */
export function shownText(html: string): string {
  let text = ''
  const parser = new Parser({ ontext: (part) => (text += part) }, { decodeEntities: true })
  parser.write(html)
  parser.end()
  return text
}

/**
 * The text of a piece of HTML: comments and tags removed (nothing put in their place), entities decoded, white space
 * folded. Marks of shipped texts are digests of this form.
 * @example strippedText('<p>High</p> <p>tide</p>') // 'High tide'
 */
export const strippedText = (html: string): string => foldSpace(shownText(html))

const blocks = new Set(
  'address article aside blockquote body br caption dd details div dl dt fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header hr html legend li main nav ol option p pre section summary table tbody td textarea tfoot th thead title tr ul'.split(
    ' ',
  ),
)
const unseen = new Set(['script', 'style', 'template', 'noscript', 'head', 'svg'])

/**
 * The blocks of text a reader would see, one string a block, in the order of the page.
 * @example textBlocks('<h1>Tides</h1><p>High at <b>two</b>.</p>') // ['Tides', 'High at two.']
 */
export function textBlocks(html: string): string[] {
  const found: string[] = []
  let text = ''
  let hidden = 0
  const cut = () => {
    const block = foldSpace(text)
    if (block !== '') found.push(block)
    text = ''
  }
  const parser = new Parser(
    {
      onopentagname: (name) => {
        if (unseen.has(name)) hidden += 1
        else if (blocks.has(name)) cut()
      },
      onclosetag: (name) => {
        if (unseen.has(name)) hidden = Math.max(0, hidden - 1)
        else if (blocks.has(name)) cut()
      },
      ontext: (part) => {
        if (hidden === 0) text += part
      },
    },
    { decodeEntities: true },
  )
  parser.write(html)
  parser.end()
  cut()
  return found
}
