import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { content } from '../carriers/content.js'
import { entryAgain, readEntry, removeEntry } from '../entries.js'
import { pagesOf } from '../items.js'
import type { WordPressSession } from '../session.js'

export const pages: AreaOnSystem<'pages', WordPressSession> = {
  async read(session) {
    return Promise.all((await pagesOf(session)).map((entry) => readEntry(entry, 'page', session)))
  },
  translate(differences) {
    return differences.map((difference) => {
      if (difference.is === 'left over') return removeEntry('pages', difference)
      const { title, slug, body: text, state } = difference.wanted
      const fresh = difference.is === 'missing'
      const body = {
        title,
        slug,
        status: state === 'draft' ? 'draft' : 'publish',
        // a text that somebody changed is not among the fields, and stays
        ...(text !== undefined && (fresh || difference.fields.includes('body')) && { content: text }),
        ...(fresh && { comment_status: 'closed' }),
      }
      return Step.of(
        content,
        { route: 'pages', ...(fresh ? {} : { id: { idOf: difference.found.ref } }), body },
        { proves: [difference], gives: difference.ref },
      )
    })
  },
  again: (copy) => entryAgain('pages', copy),
}
