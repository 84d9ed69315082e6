import { z } from 'zod'
import { load } from 'cheerio'
import type { Marks } from '../../core/shipped.js'
import type { Recognised } from '../../core/findings.js'
import { originOf } from '../../core/shipped.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import { has } from '../../web/forms.js'
import { provenIn } from '../lines.js'
import type { FirstLook } from '../system.js'
import { birthIn, isEarly } from './birth.js'
import { slugSchema } from './items.js'
import { isShippedAsSeen } from './shipped-on-page.js'
import { shippedWords } from './shipped-texts.js'

const TRIED = ['6.1', '6.8', '7.1']
const rootSchema = z.object({ url: z.string(), home: z.string(), namespaces: z.array(z.string()) })
const rendered = z.object({ rendered: z.string() })
const dated = z.object({
  id: z.number(),
  slug: slugSchema,
  date_gmt: z.string(),
  modified_gmt: z.string(),
  author: z.number(),
})
const uploads = z.array(dated)
const entries = z.array(dated.extend({ content: rendered }))
const remarks = z.array(z.object({ id: z.number(), date_gmt: z.string(), content: rendered, author: z.number() }))
const terms = z.array(z.object({ id: z.number(), slug: slugSchema, name: z.string() }))

const folder = (url: string, tail: RegExp): string => url.replace(tail, '')

/** Knows the system by its forms and by what it says of itself, never by a word on a page. */
export async function recognise(look: FirstLook): Promise<Recognised | undefined> {
  const { front } = look
  const base = { id: 'wordpress', name: 'WordPress', version: versionIn(front) }
  const known = { ...base, ...provenIn(base.version, TRIED) }
  if (/\/wp-admin\/install\.php/.test(front.url)) {
    const address = folder(front.url, /wp-admin\/install\.php.*/)
    return has(front.text, 'form#setup') || has(front.text, 'select#language')
      ? { ...known, state: 'first-run', address }
      : undefined
  }
  if (/\/wp-admin\/setup-config\.php/.test(front.url))
    return {
      ...known,
      proven: false,
      state: 'broken',
      address: folder(front.url, /wp-admin\/setup-config\.php.*/),
      trouble: 'its files are there, but it was not told which database to use',
    }
  // where a log-in page stands in front of it, visitors see nothing else
  if (/\/wp-login\.php/.test(front.url) && has(front.text, 'form#loginform'))
    return { ...known, state: 'set up', address: folder(front.url, /wp-login\.php.*/) }
  if (!saysSo(front)) return undefined
  const root = rootSchema.safeParse(await jsonAt(look, '?rest_route=/'))
  const home = root.success ? root.data.home : front.url
  return { ...known, state: 'set up', address: home.endsWith('/') ? home : `${home}/`, seen: await seenBy(look) }
}

const saysSo = ({ headers, text }: Answer): boolean =>
  /rel="https:\/\/api\.w\.org\/"/.test(headers.link ?? '') ||
  has(text, 'link[rel="https://api.w.org/"]') ||
  /^WordPress/.test(generator(text))
const generator = (html: string): string => load(html)('meta[name=generator]').first().attr('content') ?? ''

/** The version: as it says itself, or by the stylesheets of the first-run form or the log-in page. */
const versionIn = ({ text }: Answer): string =>
  /^WordPress ([\d.]+)/.exec(generator(text))?.[1] ??
  /wp-(?:includes|admin)\/css\/[\w.-]+\?ver=([\d.]+)/.exec(text)?.[1] ??
  /wp-admin\/load-styles\.php\?[^"']*ver=([\d.]+)/.exec(text)?.[1] ??
  ''

async function jsonAt(look: FirstLook, place: string): Promise<unknown> {
  const answer = await look.get(place)
  return answer?.status === 200 ? jsonOf(answer) : undefined
}

/** What a visitor can see of the items; each list is asked for once, and only its first page. */
async function seenBy(look: FirstLook): Promise<Recognised['seen']> {
  const list = (route: string) => jsonAt(look, `?rest_route=/wp/v2/${route}&per_page=20`)
  const [posts, pages, comments, categories, media] = await Promise.all(
    ['posts', 'pages', 'comments', 'categories&orderby=id', 'media'].map(list),
  )
  // an interface that is switched off for visitors must not look like an empty site
  if (!entries.safeParse(posts).success || !entries.safeParse(pages).success) return undefined
  const judged = (ref: string, marks: Marks) => ({ ref, origin: originOf(marks) })
  const birth = birthIn([...(entries.safeParse(posts).data ?? []), ...(entries.safeParse(pages).data ?? [])])
  const entry = (kind: string, id: number) => (item: z.output<typeof entries>[number]) =>
    judged(`${kind}/${item.slug}`, {
      place: item.id === id,
      untouched: item.date_gmt === item.modified_gmt,
      early: birth !== undefined && isEarly(item, birth),
      known: isShippedAsSeen(item.content.rendered, look.front.url),
    })
  return [
    ...(entries.safeParse(posts).data ?? []).map(entry('posts', 1)),
    ...(entries.safeParse(pages).data ?? []).map(entry('pages', 2)),
    ...(remarks.safeParse(comments).data ?? []).map((item) =>
      judged(`comments/${item.id}`, {
        place: item.id === 1 && item.author === 0,
        untouched: true,
        known: isShippedAsSeen(item.content.rendered, look.front.url),
      }),
    ),
    ...(terms.safeParse(categories).data ?? []).map((item) =>
      judged(`categories/${item.slug}`, {
        place: item.id === 1,
        untouched: shippedWords.some(({ category }) => category.slug === item.slug),
        known: true,
      }),
    ),
    ...(uploads.safeParse(media).data ?? []).map((item) =>
      judged(`media/${item.slug}`, {
        place: false,
        untouched: false,
        known: false,
        early: birth !== undefined && isEarly(item, birth),
      }),
    ),
  ]
}
