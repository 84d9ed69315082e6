import { textOf } from '../../../core/value.js'
import { settingSteps } from '../../setting-steps.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { users } from '../carriers/settings.js'
import { givenToMembers, rightSteps } from '../member-rights.js'
import type { MisagoSession } from '../session.js'

const as = (field: string) => (value: unknown) => ({ [field]: textOf(value as never) })

/** Which roles give a right is not to be seen in the item: it goes along as its number. */
const packed = (given: Awaited<ReturnType<typeof givenToMembers>>): string =>
  [given.privateMessages, given.signatures].map((roles) => roles.join()).join(';')
const unpacked = (id: string | number, at: number): number[] =>
  (String(id).split(';')[at] ?? '').split(',').filter(Boolean).map(Number)

export const profiles: AreaOnSystem<'profiles', MisagoSession> = {
  can: {
    mailEachOther: { never: 'members can’t write each other mail through this system' },
    chooseTheme: { never: 'everybody sees the same theme here' },
    'ownPicture.maxPixels': { never: 'this system cuts pictures to its own sizes' },
  },
  async read(session, { profiles: planned }) {
    const wanted = planned?.privateMessages !== undefined || planned?.signatures !== undefined
    const [{ fields }, given] = await Promise.all([
      session.form('settings/users/'),
      wanted ? givenToMembers(session) : undefined,
    ])
    return [
      {
        id: given ? packed(given) : 'profiles',
        item: {
          ...(given && { privateMessages: given.privateMessages.length > 0, signatures: given.signatures.length > 0 }),
          'signatures.maxLength': Number(fields.signature_length_max),
          'ownPicture.upload': fields.allow_custom_avatars === '1',
          'ownPicture.maxKilobytes': Number(fields.avatar_upload_limit),
        },
      },
    ]
  },
  translate: (differences) => [
    ...settingSteps(differences, users, {
      'signatures.maxLength': as('signature_length_max'),
      'ownPicture.upload': (value) => ({ allow_custom_avatars: value === true ? '1' : '0' }),
      'ownPicture.maxKilobytes': as('avatar_upload_limit'),
    }),
    ...differences.flatMap((difference) => {
      if (difference.is !== 'different') return []
      const { wanted, fields, found } = difference
      return (['privateMessages', 'signatures'] as const).flatMap((right, at) =>
        fields.includes(right) ? rightSteps(difference, right, wanted[right] === true, unpacked(found.id, at)) : [],
      )
    }),
  ],
}
