/**
 * The real systems that Unpack knows, and what each can.
 * @module unpack/systems
 */
import type { System } from './system.js'
import { evershop } from './evershop/index.js'
import { plone } from './plone/index.js'
import { misago } from './misago/index.js'
import { wordpress } from './wordpress/index.js'

/** The real systems that Unpack brings. */
export const builtIn: readonly System[] = [wordpress, misago, plone, evershop]

export { abilitiesOf } from './abilities.js'
