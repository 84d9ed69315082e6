import { postAddressParts, type AddressPart } from '../../core/text/post-address.js'

const tags: Record<AddressPart, string> = {
  slug: '%postname%',
  category: '%category%',
  year: '%year%',
  month: '%monthnum%',
  day: '%day%',
  id: '%post_id%',
  author: '%author%',
}

/** A URI Template in the system's own signs: `/{year}/{slug}/` → `/%year%/%postname%/`. */
export const structureOf = (template: string): string =>
  (postAddressParts(template) ?? []).map((part) => (typeof part === 'string' ? part : tags[part.part])).join('')

/** The system's own signs as a URI Template; '' where posts have no address of their own. */
export const templateOf = (structure: string): string =>
  Object.entries(tags).reduce((text, [part, tag]) => text.replaceAll(tag, `{${part}}`), structure)
