import type { ConformanceCase } from '../case.js'

const question = { ask: 'How many arms has a common starfish?', answers: ['five', '5'] }

export const signUpCases: readonly ConformanceCase[] = [
  {
    name: 'who may join, what a new account waits for, and the question that is asked, as visitors see it',
    area: 'signUp',
    needs: ['signUp.approval', 'signUp.question.ask', 'signUp.question.answers'],
    async run(site) {
      const open = site.baseline({ signUp: { open: true, approval: 'email', question } })
      await site.settledForGood(open)
      await site.seen(open, 'visitors can make an account', `they are asked “${question.ask}”`)
      await site.seen(open, 'a new account waits for the link in a mail')
      const staff = site.baseline({ signUp: { open: true, approval: 'staff' } })
      await site.settledForGood(staff)
      await site.seen(staff, 'a new account waits for the staff')
      const shut = site.baseline({ signUp: { open: false } })
      await site.settledForGood(shut)
      await site.seen(shut, 'visitors can’t make an account')
    },
  },
  {
    name: 'sign-up: open and closed, as visitors see it, and what a new account may do',
    area: 'signUp',
    needs: ['signUp.open', 'signUp.role'],
    async run(site) {
      for (const signUp of [
        { open: true, role: 'writer' },
        { open: false, role: 'editor' },
        { open: true, role: 'reader' },
      ]) {
        const plan = site.baseline({ signUp })
        await site.settledForGood(plan)
        await site.seen(plan, `visitors ${signUp.open ? 'can' : 'can’t'} make an account`)
      }
    },
  },
  {
    name: 'sign-up open to anybody at once, and closed, as visitors see it',
    area: 'signUp',
    needs: ['signUp.open', 'signUp.approval'],
    async run(site) {
      const open = site.baseline({ signUp: { open: true, approval: 'none' } })
      await site.settledForGood(open)
      await site.seen(open, 'visitors can make an account', 'a new account waits for nobody')
      const shut = site.baseline({ signUp: { open: false } })
      await site.settledForGood(shut)
      await site.seen(shut, 'visitors can’t make an account')
    },
  },
]
