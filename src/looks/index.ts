import type { SharedLook } from '../core/looking.js'
import { icon } from './icon.js'
import { links } from './links.js'
import type { Look } from './look.js'
import { robots } from './robots.js'
import { shows } from './shows.js'

/** The looks that need nothing of a system, by their names; where a feed is, each system says. */
export const sharedLooks: { readonly [L in SharedLook['look']]?: Look<Extract<SharedLook, { look: L }>> } = {
  shows,
  links,
  robots,
  icon,
}
