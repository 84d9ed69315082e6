import assert from 'node:assert/strict'
import type { ConformanceCase } from '../case.js'

const question = { ask: 'How many arms has a common starfish?', answers: ['five', '5'] }

export const memberRuleCases: readonly ConformanceCase[] = [
  {
    name: 'who may join, what a new account waits for, and the question that is asked, as visitors see it',
    area: 'signUp',
    needs: ['signUp.approval', 'signUp.question.ask', 'signUp.question.answers'],
    async run(site) {
      const open = site.baseline({ signUp: { open: true, approval: 'email', question } })
      await site.settledForGood(open)
      await site.confirmed(open)
      const staff = site.baseline({ signUp: { open: true, approval: 'staff' } })
      await site.settledForGood(staff)
      await site.confirmed(staff)
      const shut = site.baseline({ signUp: { open: false } })
      await site.settledForGood(shut)
      await site.confirmed(shut)
    },
  },
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
  {
    name: 'how much members may post, and how much stands on a page',
    area: 'posting',
    needs: ['posting.perHour', 'posting.postsPerPage', 'posting.topicsPerPage', 'posting.polls.allowed'],
    async run(site) {
      const plan = (posting: object) => site.baseline({ posting })
      await site.settledForGood(plan({ perHour: 30, postsPerPage: 15, topicsPerPage: 20, polls: { allowed: false } }))
      await site.settledForGood(plan({ perHour: 0, postsPerPage: 12, topicsPerPage: 30, polls: { allowed: true } }))
    },
  },
  {
    name: 'the wait between two posts, busy topics, and choices of a poll',
    area: 'posting',
    needs: ['posting.waitSeconds', 'posting.busyFrom', 'posting.polls.choices'],
    async run(site) {
      await site.settledForGood(site.baseline({ posting: { waitSeconds: 20, busyFrom: 25, polls: { choices: 8 } } }))
    },
  },
  {
    name: 'private messages, signatures, and pictures of their own',
    area: 'profiles',
    needs: ['profiles.privateMessages', 'profiles.signatures', 'profiles.ownPicture.upload'],
    async run(site) {
      const on = {
        privateMessages: true,
        signatures: { maxLength: 120 },
        ownPicture: { upload: true, maxKilobytes: 200 },
      }
      await site.settledForGood(site.baseline({ profiles: on }))
      const off = { privateMessages: false, signatures: false, ownPicture: { upload: false } }
      await site.settledForGood(site.baseline({ profiles: off }))
    },
  },
  {
    name: 'mail from member to member, themes of their own, and how large a picture may be',
    area: 'profiles',
    needs: ['profiles.mailEachOther', 'profiles.chooseTheme', 'profiles.ownPicture.maxPixels'],
    async run(site) {
      const profiles = { mailEachOther: false, chooseTheme: false, ownPicture: { maxPixels: '150x150' } }
      await site.settledForGood(site.baseline({ profiles }))
    },
  },
  {
    name: 'what stands under the mails that the site sends',
    area: 'mail',
    needs: ['mail.signature'],
    async run(site) {
      for (const signature of ['See you at low water', 'Mind the “gap” & the tide'])
        await site.settledForGood(site.baseline({ mail: { signature } }))
    },
  },
  {
    name: 'who the mails come from, and through which server',
    area: 'mail',
    needs: ['mail.from', 'mail.name', 'mail.server'],
    async run(site) {
      const mail = { from: 'hello@tidepool.example', name: 'Tidepool & co', server: 'smtp://127.0.0.1:2525' }
      await site.settledForGood(site.baseline({ mail }))
    },
  },
  {
    name: 'closed to visitors while it is settled, and open afterwards',
    area: 'opening',
    needs: ['opening.visitors'],
    async run(site) {
      const notice = 'We open at low water'
      const plan = site.baseline({
        site: { description: 'Between the tides', open: { from: 'settled', notice } },
        forums: [{ title: 'On the shore', forums: [{ title: 'Rock pools' }] }],
      })
      const looks: Promise<string>[] = []
      await site.settled(plan, {
        on: (event) => {
          if (event.is === 'carried' && event.refs.some((ref) => ref.startsWith('forums/')))
            looks.push(fetch(site.address).then((answer) => answer.text()))
        },
      })
      const seen = await Promise.all(looks)
      assert.ok(seen.length > 0 && seen.every((text) => text.includes(notice)))
      assert.doesNotMatch(await (await fetch(site.address)).text(), /We open at low water/)
      assert.equal((await site.settle(plan)).writes, 0)
    },
  },
]
