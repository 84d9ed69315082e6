import type { CommentingItem } from '../../../core/areas/commenting.js'
import { commentFormAt } from '../../../looks/comment-form.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { settingSteps, type Settings } from '../../setting-steps.js'
import { tryComment, takeCommentsAway } from '../trial.js'
import { options } from '../carriers/options.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

const settings: Settings<keyof CommentingItem> = {
  allowed: (value) => ({ default_comment_status: value === true ? 'open' : 'closed' }),
  approve: (value) => ({
    comment_moderation: value === 'all' ? '1' : '0',
    comment_previously_approved: value === 'none' ? '0' : '1',
  }),
  // the system counts from which number of links on a comment waits
  linksBeforeApproval: (value) => ({ comment_max_links: String(Number(value) + 1) }),
}

export const commenting: AreaOnSystem<'commenting', WordPressSession> = {
  async read(session) {
    const { values } = await optionsOf(session)
    const item: CommentingItem = {
      allowed: values.default_comment_status === 'open',
      approve:
        values.comment_moderation === '1' ? 'all' : values.comment_previously_approved === '1' ? 'newcomers' : 'none',
      linksBeforeApproval: Number(values.comment_max_links) - 1,
    }
    return [{ id: 'commenting', item }]
  },
  translate: (differences) => settingSteps(differences, options, settings),
  ships: () => [{ id: 'commenting', item: { allowed: true, approve: 'newcomers', linksBeforeApproval: 1 } }],
  looks: { 'comment-form': commentFormAt('form#commentform') },
  try: tryComment,
  takeAway: takeCommentsAway,
}
