import type { ApprovalLook, QuestionLook, SignUpLook } from '../core/areas/signUp.js'
import type { Answer } from '../web/answer.js'
import { bad, good, notLookedAt, type Look } from './look.js'

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

/**
 * Whether visitors may make an account, and how, as planned.
 * @example const signUp = { looks: signUpAt({ place: '/join', isOpen: ({ text }) => has(text, 'form#join') }) }
 */
export const signUpAt = (
  page: SignUpPage,
): { 'sign-up': Look<SignUpLook>; approval: Look<ApprovalLook>; question: Look<QuestionLook> } => ({
  async 'sign-up'({ open }, { visit }) {
    const answer = await visit(page.place)
    if (page.isOpen(answer) === open) return good(answer.url)
    return bad(open ? `${answer.url} lets nobody sign up` : `${answer.url} lets anybody sign up`)
  },
  async approval({ approval }, { visit }) {
    const answer = await visit(page.place)
    const waits = page.approval?.(answer)
    if (waits === undefined) return notLookedAt(`${answer.url} does not tell what a new account waits for`)
    return waits === approval
      ? good(answer.url)
      : bad(`${answer.url}: a new account waits for ${waits}, not for ${approval}`)
  },
  async question({ ask }, { visit }) {
    if (!page.question) return notLookedAt('this system shows visitors no question')
    const answer = await visit(page.question.place)
    return page.question.of(answer) === ask ? good(answer.url) : bad(`${answer.url} does not ask “${ask}”`)
  },
})
