import type { MenuLoad } from './menu-plan.js'
import type { Part } from './menus.js'
import { titleAsHtml } from './titles.js'

/* Menus of themes that are made of blocks: what stands in them, and in the part of the theme that shows them. */

const navigationBlock = /<!-- wp:navigation(?: (\{.*?\}))? (?:\/-->|-->[\s\S]*?<!-- \/wp:navigation -->)/

/** Whether a menu only lists all pages. */
export const isPageList = (raw: string): boolean => /^<!-- wp:page-list(?: \{[^{}]*\})? \/-->$/.test(raw.trim())

/** The number of the menu that a part shows. */
export const namedIn = ({ content }: Part): number | undefined => {
  const settings = navigationBlock.exec(content.raw)?.[1]
  const ref: unknown = settings === undefined ? undefined : (JSON.parse(settings) as { ref?: unknown }).ref
  return typeof ref === 'number' ? ref : undefined
}

/** The part of a theme that shows a place. */
export const partFor = (place: string, parts: readonly Part[]): Part | undefined =>
  parts.find(({ slug }) => slug === place) ??
  parts.find(({ area }) => area === (place === 'main' ? 'header' : place)) ??
  parts.find(({ slug }) => slug === (place === 'main' ? 'header' : place))

/** The places that a theme's parts are. */
export const placesOf = (parts: readonly Part[]): string[] => {
  const all = parts.flatMap(({ slug, area }) => [area === 'header' ? 'main' : area, slug])
  // parts that are for nothing in particular have no place of their own
  return [...new Set(all)].filter((place) => place !== 'uncategorized')
}

/** A menu's text. */
export const blocksOf = (entries: MenuLoad['entries']): string => entries.map(linkBlock).join('\n')

/** A part's text with this menu in it: in place of its own, or below what it has. */
export function withMenu({ content: { raw } }: Part, menu: number): string {
  const own = navigationBlock.exec(raw)
  const settings = JSON.parse(own?.[1] ?? '{"layout":{"type":"flex"}}') as object
  const block = `<!-- wp:navigation ${safe({ ...settings, ref: menu })} /-->`
  return own ? raw.replace(navigationBlock, () => block) : `${raw}\n${framed(block)}\n`
}

const framed = (blocks: string, layout: object = { type: 'constrained' }): string =>
  `<!-- wp:group ${JSON.stringify({ layout })} --><div class="wp-block-group">${blocks}</div><!-- /wp:group -->`

const logoBlock = '<!-- wp:site-logo {"width":64} /-->'

/** Whether a part shows the site's logo. */
export const hasLogo = ({ content: { raw } }: Part): boolean => raw.includes('<!-- wp:site-logo ')

const titleBlock = /<!-- wp:site-title (?:\{.*?\} )?\/-->/

/** A part's text with the site's logo in it: in a row with its title, or at the beginning. */
export const withLogo = ({ content: { raw } }: Part): string =>
  titleBlock.test(raw)
    ? raw.replace(titleBlock, (title) => framed(`${logoBlock}${title}`, { type: 'flex', flexWrap: 'nowrap' }))
    : `${logoBlock}${raw}`

/** Signs that would end the comment in which a block keeps its settings. */
const safe = (settings: object): string =>
  JSON.stringify(settings)
    .replaceAll('--', '\\u002d\\u002d')
    .replaceAll('<', '\\u003c')
    .replaceAll('>', '\\u003e')
    .replaceAll('&', '\\u0026')

const linkBlock = (entry: MenuLoad['entries'][number]): string =>
  `<!-- wp:navigation-link ${safe({
    label: titleAsHtml(entry.label),
    ...(entry.kind === 'link'
      ? { type: 'link', url: entry.address, kind: 'custom' }
      : {
          type: entry.kind,
          id: entry.id,
          url: entry.address,
          kind: entry.kind === 'page' ? 'post-type' : 'taxonomy',
        }),
    isTopLevelLink: true,
  })} /-->`
