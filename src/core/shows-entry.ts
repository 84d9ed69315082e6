import type { Expectation } from './looking.js'
import type { Ref } from './ref.js'
import { textBlocks } from './text/plain.js'

/** What visitors should see where a page or a post stands: its title, and its text where it has one. */
export function showsEntry(
  call: string,
  ref: Ref,
  { title, body = '' }: { title: string; body?: string },
): Expectation {
  const texts = textBlocks(body)
  const name = `${call} shows its ${texts.length === 0 ? 'title' : 'text'}`
  return { name, at: { ref }, look: 'entry', title, texts }
}
