import { datePattern } from '../text/dates.js'
import type { Add } from './cross-checks.js'
import { isGroup, listOf } from './plain-values.js'

/** The slugs of a list, whatever stands under what. */
const slugsIn = (list: unknown): string[] =>
  listOf(list).flatMap((item) =>
    isGroup(item) ? [...(typeof item.slug === 'string' ? [item.slug] : []), ...slugsIn(item.under)] : [],
  )

/** What one part of a plan says of another: pages and categories that are named have to be there, dates have to be clear. */
export function planMistakes(values: Record<string, unknown>, add: Add): void {
  const { site, frontPage, menus, posts, theme, addOns } = values
  // a sample may bring pages and categories of its own
  const open = typeof values.samples === 'string' && values.samples !== 'none' && values.samples !== 'shipped'
  const known = { page: slugsIn(values.pages), category: slugsIn(values.categories) }
  const lookUp = (of: 'page' | 'category', slug: unknown, path: (string | number)[]) => {
    if (typeof slug !== 'string' || open || known[of].includes(slug)) return
    const list = of === 'page' ? 'pages' : 'categories'
    add('unknown-item', path, `no ${of} of this file has that slug`, `a slug that stands under ${list}`)
  }
  if (isGroup(frontPage))
    for (const key of ['page', 'posts'] as const) lookUp('page', frontPage[key], ['frontPage', key])
  for (const [place, entries] of Object.entries(isGroup(menus) ? menus : {}))
    for (const [index, entry] of listOf(entries).entries())
      if (isGroup(entry))
        for (const key of ['page', 'category'] as const) lookUp(key, entry[key], ['menus', place, index, key])
  for (const [index, post] of listOf(posts).entries())
    if (isGroup(post))
      for (const [at, slug] of listOf(post.categories).entries())
        lookUp('category', slug, ['posts', index, 'categories', at])

  const dates = isGroup(site) && isGroup(site.dates) ? site.dates : {}
  const language = isGroup(site) && typeof site.language === 'string' ? site.language : 'en'
  for (const kind of ['date', 'time'] as const) {
    const example = dates[kind]
    const read = typeof example === 'string' ? safePattern(example, kind, language) : undefined
    if (read && 'unclear' in read)
      add(
        'wrong-value',
        ['site', 'dates', kind],
        `this can't be told apart: ${read.unclear}`,
        kind === 'date' ? 'the 5th of March 2026, the way you want dates' : '14:07, the way you want times',
      )
  }
  const folders = listOf(addOns).flatMap((one) => (isGroup(one) && typeof one.use === 'string' ? [one.use] : []))
  for (const [index, name] of folders.entries())
    if (folders.indexOf(name) < index)
      add('two-of-one', ['addOns', index, 'use'], 'this add-on stands here already', 'every add-on once')
  const gone = isGroup(values.gone) ? values.gone : {}
  const contradicts = (area: string, wanted: readonly unknown[]) => {
    for (const [index, name] of listOf(gone[area]).entries())
      if (wanted.includes(name))
        add(
          'contradiction',
          ['gone', area, index],
          'this is wanted further down in the same file',
          'either gone or wanted',
        )
  }
  if (isGroup(theme)) contradicts('theme', [theme.use])
  contradicts('addOns', folders)
  if (values.samples === 'shipped' && values.shipped === 'remove')
    add('contradiction', ['samples'], '`shipped: remove` takes the same content away', 'one or the other')
}

/** A language that is none has a mistake of its own. */
function safePattern(example: string, kind: 'date' | 'time', language: string) {
  try {
    return datePattern(example, kind, language)
  } catch {
    return undefined
  }
}
