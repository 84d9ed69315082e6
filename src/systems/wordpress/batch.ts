import { z } from 'zod'
import { jsonOf } from '../../web/answer.js'
import type { WordPressSession } from './session.js'

export interface Request {
  method: 'POST' | 'DELETE'
  path: string
  body?: object
}

/** What the system's batch route takes at once. */
export const AT_ONCE = 25
const answers = z.object({ responses: z.array(z.object({ status: z.number(), body: z.unknown() })) })

/** Sends many small requests as few. */
export async function batch(
  session: WordPressSession,
  requests: readonly Request[],
): Promise<{ status: number; body: unknown }[]> {
  const done: { status: number; body: unknown }[] = []
  for (let from = 0; from < requests.length; from += AT_ONCE) {
    const part = requests.slice(from, from + AT_ONCE)
    const answer = await session.rest('POST', '/batch/v1', '', { requests: part })
    const read = answers.safeParse(jsonOf(answer)).data?.responses
    done.push(...part.map((_, index) => read?.[index] ?? { status: answer.status, body: jsonOf(answer) }))
  }
  return done
}
