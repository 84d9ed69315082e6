import type { OwnLook, SharedLook } from '../core/looking.js'
import { beyond } from './beyond.js'
import { entry } from './entry.js'
import { icon } from './icon.js'
import { links } from './links.js'
import { leadsHere } from './leads-here.js'
import type { Look } from './look.js'
import { robots } from './robots.js'
import { shows } from './shows.js'
import { title } from './title.js'

const shared: { readonly [L in SharedLook['look']]?: Look<Extract<SharedLook, { look: L }>> } = {
  shows,
  title,
  entry,
  links,
  robots,
  icon,
  'leads-here': leadsHere,
  beyond,
}

/** The look by a name that needs nothing of a system; where a feed is, each system says. */
export const sharedLook = (name: string): Look<OwnLook> | undefined =>
  (shared as Partial<Record<string, unknown>>)[name] as Look<OwnLook> | undefined
