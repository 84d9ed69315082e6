import { z } from 'zod'
import { foldSpace } from '../../core/text/plain.js'
import { jsonOf, type Answer } from '../../web/answer.js'
import type { Carried } from '../step.js'

const saysSchema = z.object({
  message: z.union([z.string(), z.unknown()]).optional(),
  error: z.object({ message: z.string().optional(), type: z.string().optional() }).optional(),
})

/** Why a request was not taken, in a line: traces that name files of the server are left out. */
export function refusal(answer: Answer): string {
  const said = saysSchema.safeParse(jsonOf(answer)).data
  const message = said?.error?.message ?? said?.message
  const text = typeof message === 'string' ? message : JSON.stringify(message ?? '')
  const line = foldSpace(text.replace(/Traceback[\s\S]*/, '').replace(/\/\S+\.py\S*/g, ''))
  return `HTTP ${answer.status}${line === '' || line === '""' ? '' : `: ${line.slice(0, 200)}`}`
}

/** Thrown where the site does not take something: what stands so far stays, and the step is told as refused. */
export class Refused extends Error {}

/** What came of doing something, also where the site did not take part of it. */
export async function orRefused(act: () => Promise<Carried>): Promise<Carried> {
  try {
    return await act()
  } catch (error) {
    if (error instanceof Refused) return { refused: error.message }
    throw error
  }
}

/** Goes on only if a request was taken. */
export function taken(answer: Answer): Answer {
  if (answer.status >= 300) throw new Refused(refusal(answer))
  return answer
}

/** What came of a request. */
export const carried = (answer: Answer): Carried => (answer.status < 300 ? {} : { refused: refusal(answer) })
/** The same of a removal: what is not there is gone. */
export const gone = (answer: Answer): Carried => (answer.status === 404 ? {} : carried(answer))
