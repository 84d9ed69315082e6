import type { ConformanceCase } from '../case.js'

export const signInCases: readonly ConformanceCase[] = [
  {
    name: 'how often somebody may try to sign in, and how long they stay',
    area: 'signIn',
    needs: ['signIn.attempts', 'signIn.lockMinutes', 'signIn.staySignedIn'],
    async run(site) {
      const plan = site.baseline({ signIn: { attempts: 3, lockMinutes: 30, staySignedIn: true } })
      await site.settledForGood(plan)
      // the owner is not locked out by a rule of their own
      await site.confirmed(plan)
      await site.settledForGood(site.baseline({ signIn: { attempts: 5, staySignedIn: false } }))
    },
  },
]
