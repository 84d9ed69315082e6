import { load } from 'cheerio'
import { bad, good, type Sight } from 'unpack'

/** Whether a page shows the site's own picture at its head, and that can be loaded. */
export async function logo(_expected: object, { place, visit }: Sight) {
  const answer = await visit(place)
  const src = load(answer.text)('img.logo').first().attr('src')
  if (src === undefined) return bad(`${answer.url} shows no logo of its own`)
  const { status } = await visit(new URL(src, answer.url).href)
  return status === 200 ? good(src) : bad(`${src} answers HTTP ${status}`)
}
