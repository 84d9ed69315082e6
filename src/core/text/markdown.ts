import { micromark } from 'micromark'
import { gfmTable, gfmTableHtml } from 'micromark-extension-gfm-table'

/**
 * Turns a body written in CommonMark into HTML.
 * @param text CommonMark, and tables as GitHub writes them; raw HTML in it is shown as text, not passed on, and links to scripts are dropped
 * @returns HTML without a page around it; a line that ends within a paragraph ends as a space, since some systems take
 * every line's end for a break
 * @see https://spec.commonmark.org/0.31.2/#soft-line-breaks
 * @example htmlOf('The *tide* is out.') // '<p>The <em>tide</em> is out.</p>'
 */
export const htmlOf = (text: string): string =>
  withoutSoftBreaks(micromark(text, { extensions: [gfmTable()], htmlExtensions: [gfmTableHtml()] }).trim())

const block = /^<\/?(?:p|h[1-6]|ul|ol|li|blockquote|pre|hr|table|thead|tbody|tr|th|td)\b/

function withoutSoftBreaks(html: string): string {
  // every < of the text itself is written as an entity, so this parts tags from text
  const parts = html.split(/(<[^>]*>)/)
  let inPre = false
  return parts
    .map((part, index) => {
      if (/^<\/?pre\b/.test(part)) inPre = !part.startsWith('</')
      if (part.startsWith('<') || inPre) return part
      const [before = '', after = ''] = [parts[index - 1], parts[index + 1]]
      const betweenBlocks = part.trim() === '' && (block.test(before) || block.test(after))
      if (betweenBlocks) return part
      return (/^<br\b/.test(before) ? part.replace(/^\n/, '') : part).replace(/\n/g, ' ')
    })
    .join('')
}
