import { z } from 'zod'
import type { Kept } from '../area-on-system.js'
import { Step } from '../step.js'
import { again } from './carriers/again.js'

const rawSchema = z.looseObject({ '@id': z.string(), '@type': z.string(), id: z.string() })
const copySchema = z.object({ item: rawSchema, text: rawSchema.optional() })

/** Makes an item again from what was kept of it, in the folder that it stood in. */
export function itemAgain({ ref, copy, bytes }: Kept): Step {
  const { item, text } = copySchema.parse(copy)
  return Step.of(again, { item, ...(text && { text }), ...(bytes && { bytes }) }, { proves: [], gives: ref })
}
