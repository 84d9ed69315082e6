import { commentFormAt, settingSteps, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { visitors } from '../carriers/forms.js'
import { takeCommentsAway, tryComment } from '../../../common/adapter/trial.js'

const OFF = 'comments come with an add-on here: write “addOns: [{ use: comments }]” into the baseline'

/** Comments come with an add-on: as long as it is off, nobody can comment, and there are no rules. */
export const commenting: AreaOnSystem<'commenting', StandInSession> = {
  can({ baseline: { comments, addOns = [] }, inventory }) {
    const on =
      addOns.some(({ use, active }) => use === 'comments' && active !== false) ||
      (inventory.addOns ?? []).some(({ item }) => item.use === 'comments' && item.active)
    const wanted = comments?.allowed === true || comments?.approve === 'all'
    return {
      linksBeforeApproval: { never: 'this system does not count the links in a comment' },
      ...(comments?.approve === 'newcomers' && {
        approve: { never: 'this system does not tell newcomers from others: all or none' },
      }),
      ...(wanted && !on && { allowed: { byHand: OFF }, approve: { byHand: OFF } }),
    }
  },
  async read(session) {
    const { commentsAllowed, approve } = await session.form('visitors')
    const item = { allowed: commentsAllowed === '1', approve: approve === 'none' ? 'none' : 'all' } as const
    return [{ id: 'commenting', item }]
  },
  translate: (differences) =>
    settingSteps(differences, visitors, {
      allowed: (value) => ({ commentsAllowed: box(value === true) }),
      approve: as('approve'),
    }),
  looks: { 'comment-form': commentFormAt('form#say') },
  try: tryComment,
  takeAway: takeCommentsAway,
}
