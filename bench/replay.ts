import { Agent, request } from 'undici'
import type { Outgoing } from 'unpack'

/** A request as a run sent it, with when it began and ended. */
export interface Recorded extends Outgoing {
  began: number
  ended: number
}

const oneTime = /([?&]|^)_wpnonce=[0-9a-f]{10}/

/**
 * Sends a run's requests again with a bare client: same order, same connections, and side by side what the run sent side
 * by side. A request begins when all those have ended that had ended before it began in the run. Only what the site gave
 * out anew (cookies, one-time values) is taken from its answers.
 * @returns milliseconds
 */
export async function replay(recorded: readonly Recorded[]): Promise<number> {
  const lines = new Agent({ connections: 6 })
  const cookies = new Map<string, string>()
  let token = ''
  let oneTimeValue = ''
  const done: Promise<void>[] = []
  const send = async (one: Recorded): Promise<void> => {
    const fresh = (text: string) => text.replace(oneTime, `$1_wpnonce=${oneTimeValue}`)
    const headers: Record<string, string> = { ...one.headers }
    if (cookies.size > 0) headers.cookie = [...cookies].map(([name, value]) => `${name}=${value}`).join('; ')
    if (headers['x-wp-nonce'] !== undefined) headers['x-wp-nonce'] = token
    const answer = await request(fresh(one.url), {
      dispatcher: lines,
      method: one.method as 'GET',
      headers,
      body: one.body === undefined ? undefined : fresh(one.body),
    })
    const text = await answer.body.text()
    for (const cookie of [answer.headers['set-cookie'] ?? []].flat()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(cookie) ?? []
      cookies.set(name, value)
    }
    if (one.url.includes('rest-nonce')) token = text
    // the value of the form, or of the question before signing out, that was answered last
    else
      oneTimeValue =
        /action=logout&amp;_wpnonce=([0-9a-f]{10})|name="_wpnonce" value="([0-9a-f]{10})"/
          .exec(text)
          ?.slice(1)
          .find(Boolean) ?? oneTimeValue
    if (answer.statusCode >= 400 && answer.statusCode !== 404 && !one.url.includes('action=logout'))
      throw new Error(`replay: ${one.method} ${one.url}: ${answer.statusCode}`)
  }
  const began = performance.now()
  for (const [index, one] of recorded.entries()) {
    const before = done.filter((_, at) => at < index && (recorded[at]?.ended ?? 0) <= one.began)
    done.push(Promise.all(before).then(() => send(one)))
  }
  await Promise.all(done)
  const took = performance.now() - began
  await lines.close()
  return took
}
