import { digest } from '../../core/text/digest.js'
import { latinSlugOf, slugOf } from '../../core/text/slug-of.js'

/** A name by which the system can know something, of Latin letters and digits alone; what other letters say, a digest stands for. */
export function idFor(name: string): string {
  const latin = latinSlugOf(name)
  return latin === slugOf(name) ? latin : [latin, digest(name).slice(0, 8)].filter((part) => part !== '').join('-')
}
