import { latinSlugOf } from '../core/text/slug-of.js'

/**
 * Why a slug can't be given where addresses take Latin letters and digits alone; with one that would do, if its letters have such.
 * For `takes` of an area.
 * @example notLatin('opening-days') // undefined
 */
export function notLatin(slug: string): string | undefined {
  if (/^[a-z0-9-]*$/.test(slug)) return undefined
  const plain = latinSlugOf(slug)
  const such = plain === '' ? '' : `: “${plain}” would do`
  return `addresses take the letters a to z, digits and hyphens alone on this system${such}`
}
