import { commentFormAt, settingSteps, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { tryComment, takeCommentsAway } from '../../../common/adapter/trial.js'
import { visitors } from '../carriers/forms.js'

export const commenting: AreaOnSystem<'commenting', StandInSession> = {
  async read(session) {
    const { commentsAllowed, approve, linksBeforeApproval } = await session.form('visitors')
    const item: ItemOf<'commenting'> = {
      allowed: commentsAllowed === '1',
      approve: approve as ItemOf<'commenting'>['approve'],
      linksBeforeApproval: Number(linksBeforeApproval),
    }
    return [{ id: 'commenting', item }]
  },
  translate: (differences) =>
    settingSteps(differences, visitors, {
      allowed: (value) => ({ commentsAllowed: box(value === true) }),
      approve: as('approve'),
      linksBeforeApproval: as('linksBeforeApproval'),
    }),
  ships: () => [{ id: 'commenting', item: { allowed: true, approve: 'newcomers', linksBeforeApproval: 2 } }],
  looks: { 'comment-form': commentFormAt('form#say') },
  try: tryComment,
  takeAway: takeCommentsAway,
}
