import type { Answer } from './answer.js'

/** Reads again what the server says that it failed at: it may have been a moment's trouble. What fails twice is told. */
export async function onceMore(read: () => Promise<Answer>): Promise<Answer> {
  const first = await read()
  return first.status >= 500 ? read() : first
}
