import { strippedText } from '../../core/text/plain.js'
import type { WordPressSession } from './session.js'

/** What is wrong with the front page as a visitor gets it; undefined if nothing is. Looked at again once something changed. */
export const looksBroken = (session: WordPressSession): Promise<string | undefined> =>
  session.shelf.read('front', async () => {
    const look = async () => {
      const answer = await session.visitor.another().get('/')
      if (answer.status >= 500) return `the front page answers HTTP ${answer.status}`
      return strippedText(answer.text) === '' ? 'the front page is empty' : undefined
    }
    // what is taken back for it must not have been a moment's trouble
    return (await look()) && (await look())
  })
