import { FormData } from 'undici'
import { UnpackError } from '../core/errors.js'
import { MOST } from './limits.js'
import type { Ask, FilePart } from './ask.js'

/** What a request sends as its body. */
export function bodyOf({ form, json, parts, file }: Ask): string | Uint8Array | FormData | undefined {
  if (form)
    return new URLSearchParams(
      Array.isArray(form) ? (form as string[][]) : (form as Readonly<Record<string, string>>),
    ).toString()
  if (file) return file.bytes
  if (!parts) return json === undefined ? undefined : JSON.stringify(json)
  const data = new FormData()
  for (const [name, part] of Object.entries(parts))
    if (typeof part === 'string') data.append(name, part)
    else
      for (const one of filesIn(part))
        data.append(name, new Blob([one.bytes as Uint8Array<ArrayBuffer>], { type: one.type }), one.name)
  return data
}

/** The files that stand under a name of a form. */
export const filesIn = (part: string | FilePart | readonly FilePart[]): readonly FilePart[] =>
  typeof part === 'string' ? [] : 'bytes' in part ? [part] : part

/** How many bytes of files a request sends. */
export const sizeOf = ({ parts = {}, file }: Ask): number =>
  [...Object.values(parts).flatMap(filesIn), ...(file ? [file] : [])].reduce((sum, { bytes }) => sum + bytes.length, 0)

/** An answer as text. @throws UnpackError `answer-too-large` */
export async function limited(body: AsyncIterable<Uint8Array>, url: string): Promise<string> {
  const parts: Uint8Array[] = []
  let size = 0
  for await (const part of body) {
    size += part.length
    if (size > MOST.bytes) throw UnpackError.of('answer-too-large', { url, most: '16 MiB' })
    parts.push(part)
  }
  return new TextDecoder().decode(Buffer.concat(parts))
}

/** Hands a file on as it comes; an answer that is none is read as a text. */
export async function poured(
  body: AsyncIterable<Uint8Array>,
  status: number,
  url: string,
  into: (part: Uint8Array) => Promise<void>,
): Promise<string> {
  if (status !== 200) return limited(body, url)
  for await (const part of body) await into(part)
  return ''
}
