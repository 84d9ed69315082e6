import { settingSteps, type AreaOnSystem } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { postingForm } from '../carriers/forms.js'

export const posting: AreaOnSystem<'posting', StandInSession> = {
  async read(session) {
    const form = await session.form('posting')
    const item = {
      waitSeconds: Number(form.waitSeconds),
      perHour: Number(form.perHour),
      postsPerPage: Number(form.postsPerPage),
      topicsPerPage: Number(form.topicsPerPage),
      busyFrom: Number(form.busyFrom),
      'polls.allowed': form.polls === '1',
      'polls.choices': Number(form.pollChoices),
    }
    return [{ id: 'posting', item }]
  },
  translate: (differences) =>
    settingSteps(differences, postingForm, {
      waitSeconds: as('waitSeconds'),
      perHour: as('perHour'),
      postsPerPage: as('postsPerPage'),
      topicsPerPage: as('topicsPerPage'),
      busyFrom: as('busyFrom'),
      'polls.allowed': (value) => ({ polls: box(value === true) }),
      'polls.choices': as('pollChoices'),
    }),
}
