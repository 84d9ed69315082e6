import { commentFormAt } from '../../../looks/comment-form.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { settings } from '../carriers/settings.js'
import { panelPlace, panels } from '../panels.js'
import type { PloneSession } from '../session.js'
import { COMMENT_FORM, tryComment, takeCommentsAway } from '../comments.js'
import { addOnsOf } from './addOns.js'

const OFF = 'comments come with an add-on here: write “addOns: [{ use: comments }]” into the baseline'
const NEWCOMERS = 'this system does not tell newcomers from others: all or none'

/** Comments come with an add-on: as long as it is off, nobody can comment, and there are no rules. */
export const commenting: AreaOnSystem<'commenting', PloneSession> = {
  can({ baseline: { comments, addOns = [] }, inventory }) {
    const on =
      addOns.some(({ use, active }) => use === 'comments' && active !== false) ||
      (inventory.addOns ?? []).some(({ item }) => item.use === 'comments' && item.active)
    const wanted = comments?.allowed === true || comments?.approve === 'all'
    return {
      linksBeforeApproval: { never: 'this system does not count the links in a comment' },
      ...(comments?.approve === 'newcomers' && { approve: { never: NEWCOMERS } }),
      ...(wanted && !on && { allowed: { byHand: OFF }, approve: { byHand: OFF } }),
    }
  },
  async read(session) {
    const on = (await addOnsOf(session)).some(({ use, active }) => use === 'comments' && active)
    if (!on) return [{ id: 'commenting', item: { allowed: false, approve: 'none' } }]
    const { globally_enabled, anonymous_comments, moderation_enabled } = await panels.comments(session)
    const item = {
      allowed: globally_enabled && anonymous_comments,
      approve: moderation_enabled ? 'all' : 'none',
    } as const
    return [{ id: 'commenting', item }]
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { allowed, approve } = difference.wanted
      const values = {
        ...(allowed !== undefined && { globally_enabled: allowed, anonymous_comments: allowed }),
        ...(approve !== undefined && { moderation_enabled: approve === 'all' }),
      }
      const planned = (baseline.addOns ?? []).some(({ use }) => use === 'comments')
      const after = planned ? ['addOns/comments'] : []
      return [Step.of(settings, { place: panelPlace('discussion'), values }, { proves: [difference], after })]
    }),
  looks: {
    'comment-form': commentFormAt(COMMENT_FORM),
  },
  try: tryComment,
  takeAway: takeCommentsAway,
}
