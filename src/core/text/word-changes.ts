import { diffWords } from 'diff'

/** A stretch of a text that stayed, went or came. */
export interface WordChange {
  is: 'same' | 'gone' | 'new'
  text: string
}

/** How many words may differ before a text counts as another one. */
const MOST = 400
/** How much of what stayed is shown beside what changed, in letters. */
const BESIDE = 40

/** What became of a text, word by word; what stayed is shortened. Nothing where it is another text altogether. */
export function wordChanges(was: string, now: string): WordChange[] | undefined {
  const parts = diffWords(was, now, { maxEditLength: MOST })
  if (!parts?.some(({ added, removed }) => !added && !removed)) return undefined
  return parts.map(({ added, removed, value }, index) =>
    added
      ? { is: 'new', text: value }
      : removed
        ? { is: 'gone', text: value }
        : { is: 'same', text: shortened(value, index > 0, index < parts.length - 1) },
  )
}

/** The ends of a text that stand beside a change. */
function shortened(text: string, before: boolean, behind: boolean): string {
  if (text.length <= 2 * BESIDE) return text
  return `${before ? text.slice(0, BESIDE) : ''} … ${behind ? text.slice(-BESIDE) : ''}`
}
