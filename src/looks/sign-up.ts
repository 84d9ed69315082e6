import type { SignUpLook } from '../core/areas/signUp.js'
import type { Answer } from '../web/answer.js'
import { bad, good, type Look } from './look.js'

/** Where visitors make accounts, and what that page tells. */
export interface SignUpPage {
  place: string
  /** Whether it lets anybody in. */
  isOpen(answer: Answer): boolean
  /** What a new account waits for, as that page tells. */
  approval?(answer: Answer): 'none' | 'email' | 'staff' | undefined
  /** Where the question stands that keeps machines out, where that is another place; and the question. */
  question?: { place: string; of(answer: Answer): string | undefined }
}

/** Whether visitors may make an account, as planned. */
export const signUpAt =
  (page: SignUpPage): Look<SignUpLook> =>
  async ({ open, approval, question }, { visit }) => {
    const answer = await visit(page.place)
    if (page.isOpen(answer) !== open)
      return bad(open ? `${answer.url} lets nobody sign up` : `${answer.url} lets anybody sign up`)
    if (!open) return good(answer.url)
    const waits = page.approval?.(answer)
    if (approval !== undefined && waits !== undefined && waits !== approval)
      return bad(`${answer.url}: a new account waits for ${waits}, not for ${approval}`)
    const asked =
      question !== undefined && page.question ? page.question.of(await visit(page.question.place)) : question
    return asked === question ? good(answer.url) : bad(`${answer.url} does not ask “${question ?? ''}”`)
  }
