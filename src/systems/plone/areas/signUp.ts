import { has } from '../../../web/forms.js'
import { signUpAt } from '../../../looks/sign-up.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { settings } from '../carriers/settings.js'
import { panels, panelPlace } from '../panels.js'
import type { PloneSession } from '../session.js'

export const signUp: AreaOnSystem<'signUp', PloneSession> = {
  can: ({ baseline }) => ({
    'question.ask': { never: 'this system asks newcomers no question' },
    'question.answers': { never: 'this system asks newcomers no question' },
    role: { never: 'new accounts have no other role here; what groups may do stands with the pages' },
    ...(baseline.signUp?.approval === 'staff' && {
      approval: {
        never: 'nobody of the staff is asked on this system: with none or email, accounts are there at once',
      },
    }),
  }),
  async read(session) {
    const { enable_self_reg: open, enable_user_pwd_choice: choosing } = await panels.security(session)
    return [{ id: 'signUp', item: { open, approval: choosing ? 'none' : 'email' } }]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { open, approval } = difference.wanted
      const values = {
        ...(open !== undefined && { enable_self_reg: open }),
        ...(approval !== undefined && { enable_user_pwd_choice: approval === 'none' }),
      }
      return [Step.of(settings, { place: panelPlace('security'), values }, { proves: [difference] })]
    }),
  looks: signUpAt({
    place: '/@@register',
    isOpen: ({ text }) => has(text, 'input[name="form.widgets.username"]'),
    approval: ({ text }) => (has(text, 'input[name="form.widgets.password"]') ? 'none' : 'email'),
  }),
}
