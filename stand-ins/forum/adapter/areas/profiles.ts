import { settingSteps, type AreaOnSystem } from 'unpack'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { profilesForm } from '../carriers/forms.js'

const yes = (field: string) => (value: unknown) => ({ [field]: box(value === true) })

export const profiles: AreaOnSystem<'profiles', StandInSession> = {
  async read(session) {
    const form = await session.form('profiles')
    const item = {
      privateMessages: form.privateMessages === '1',
      mailEachOther: form.mailEachOther === '1',
      chooseTheme: form.chooseTheme === '1',
      signatures: form.signatures === '1',
      'signatures.maxLength': Number(form.signatureLength),
      'ownPicture.upload': form.pictures === '1',
      'ownPicture.maxKilobytes': Number(form.pictureKilobytes),
      'ownPicture.maxPixels': form.picturePixels,
    }
    return [{ id: 'profiles', item }]
  },
  translate: (differences) =>
    settingSteps(differences, profilesForm, {
      privateMessages: yes('privateMessages'),
      mailEachOther: yes('mailEachOther'),
      chooseTheme: yes('chooseTheme'),
      signatures: yes('signatures'),
      'signatures.maxLength': as('signatureLength'),
      'ownPicture.upload': yes('pictures'),
      'ownPicture.maxKilobytes': as('pictureKilobytes'),
      'ownPicture.maxPixels': as('picturePixels'),
    }),
}
