import type { ConformanceCase } from '../case.js'

export const profilesCases: readonly ConformanceCase[] = [
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
]
