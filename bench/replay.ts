import { Agent, FormData, request } from 'undici'
import type { Outgoing } from 'unpack'
import { filesIn } from '../src/web/body.js'

/** A request as a run sent it, with when it began and ended, and what was answered. */
export interface Recorded extends Outgoing {
  began: number
  ended: number
  answer: string
  status: number
}

/** Ten hexadecimal digits are one system's one-time values, wherever they stand; long numbers are another's names of items. */
const oneTime = /\b(?:[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}|[0-9a-f]{10})\b/g

/** Where a one-time value came from: the answer that showed it first, and how often others stood before it there. */
type Sources = ReadonlyMap<string, { answer: number; nth: number }>

function sourcesOf(recorded: readonly Recorded[]): Sources {
  const sources = new Map<string, { answer: number; nth: number }>()
  for (const [answer, { answer: text }] of recorded.entries())
    for (const [nth, [value]] of [...text.matchAll(oneTime)].entries())
      if (!sources.has(value)) sources.set(value, { answer, nth })
  return sources
}

/**
 * Sends a run's requests again with a bare client: same order, same connections, and side by side what the run sent side
 * by side. A request begins when all those have ended that had ended before it began in the run. Only what the site gave
 * out anew (cookies, one-time values) is taken from its answers.
 * @returns milliseconds
 */
export async function replay(
  recorded: readonly Recorded[],
  /** What else a system gives out anew, in bodies; and headers that say a cookie back. */
  renew: (text: string, cookies: ReadonlyMap<string, string>) => string = (text) => text,
  saysBack: Readonly<Record<string, string>> = {},
): Promise<number> {
  const lines = new Agent({ connections: 6, keepAliveTimeout: 1_500 })
  const cookies = new Map<string, string>()
  const sources = sourcesOf(recorded)
  const answers: string[] = []
  const fresh = (text: string): string =>
    renew(text, cookies).replace(oneTime, (value) => {
      const source = sources.get(value)
      if (!source) return value
      return [...(answers[source.answer] ?? '').matchAll(oneTime)][source.nth]?.[0] ?? value
    })
  const done: Promise<void>[] = []
  const send = async (one: Recorded, index: number): Promise<void> => {
    const headers: Record<string, string> = Object.fromEntries(
      Object.entries(one.headers).map(([name, value]) => [name, fresh(value)]),
    )
    for (const [header, cookie] of Object.entries(saysBack))
      if (header in headers) headers[header] = cookies.get(cookie) ?? ''
    if (cookies.size > 0) headers.cookie = [...cookies].map(([name, value]) => `${name}=${value}`).join('; ')
    const answer = await request(fresh(one.url), {
      dispatcher: lines,
      method: one.method as 'GET',
      headers,
      body: bodyOf(one, fresh),
    })
    const text = await answer.body.text()
    answers[index] = text
    for (const cookie of [answer.headers['set-cookie'] ?? []].flat()) {
      const [, name = '', value = ''] = /^([^=]+)=([^;]*)/.exec(cookie) ?? []
      cookies.set(name, value)
    }
    // what was refused in the run is refused again
    if (answer.statusCode >= 400 && answer.statusCode !== one.status && !one.url.includes('action=logout'))
      throw new Error(`replay: ${one.method} ${one.url}: ${answer.statusCode}`)
  }
  const began = performance.now()
  for (const [index, one] of recorded.entries()) {
    const before = done.filter((_, at) => at < index && (recorded[at]?.ended ?? 0) <= one.began)
    done.push(Promise.all(before).then(() => send(one, index)))
  }
  await Promise.all(done)
  const took = performance.now() - began
  await lines.close()
  return took
}

function bodyOf({ body, parts, file }: Recorded, fresh: (text: string) => string) {
  if (file) return file.bytes
  if (!parts) return body === undefined ? undefined : fresh(body)
  const data = new FormData()
  for (const [name, part] of Object.entries(parts))
    if (typeof part === 'string') data.append(name, fresh(part))
    else
      for (const one of filesIn(part))
        data.append(name, new Blob([one.bytes as Uint8Array<ArrayBuffer>], { type: one.type }), one.name)
  return data
}
