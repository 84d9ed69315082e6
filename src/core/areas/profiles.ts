import { z } from 'zod'
import type { Area } from '../area.js'
import { flatKeys, yesOrNo } from '../value.js'

const yes = (what: string) => z.boolean().optional().describe(what)

export const profilesSchema = z.strictObject({
  privateMessages: yes('Whether members may write to each other in private'),
  mailEachOther: yes('Whether members may send each other mail through the site'),
  chooseTheme: yes('Whether members may choose how the site looks for them'),
  signatures: z
    .union([
      z.literal(false),
      z.strictObject({ maxLength: z.int().min(1).describe('Characters that a signature may have') }),
    ])
    .optional()
    .describe('What stands under a member’s posts; false: nothing')
    .meta({ examples: [{ maxLength: 120 }] }),
  ownPicture: z
    .strictObject({
      upload: yes('Whether members may upload a picture of their own'),
      maxKilobytes: z.int().min(1).optional().describe('How large its file may be'),
      maxPixels: z
        .string()
        .regex(/^[1-9]\d*x[1-9]\d*$/, { error: 'width and height in pixels, as 150x150' })
        .optional()
        .describe('How large it may be')
        .meta({ examples: ['150x150'] }),
    })
    .optional()
    .describe('The picture beside a member’s posts'),
})

export interface ProfilesItem {
  privateMessages?: boolean
  mailEachOther?: boolean
  chooseTheme?: boolean
  signatures?: boolean
  'signatures.maxLength'?: number
  'ownPicture.upload'?: boolean
  'ownPicture.maxKilobytes'?: number
  'ownPicture.maxPixels'?: string
}

const words: Record<keyof ProfilesItem, string> = {
  privateMessages: 'private messages',
  mailEachOther: 'mail from member to member',
  chooseTheme: 'members choose their theme',
  signatures: 'signatures',
  'signatures.maxLength': 'characters of a signature',
  'ownPicture.upload': 'pictures of their own',
  'ownPicture.maxKilobytes': 'kilobytes of a picture',
  'ownPicture.maxPixels': 'pixels of a picture',
}

/** Its part of the baseline file. */
export const profilesPart = {
  profiles: profilesSchema
    .optional()
    .describe('What members may have and show')
    .meta({ examples: [{ privateMessages: true, signatures: { maxLength: 120 } }] }),
}

/** What members may have and show. */
export const profiles: Area<'profiles', ProfilesItem> = {
  name: 'profiles',
  title: 'profiles',
  list: 'one',
  questions: [{ key: 'profiles', ask: 'What may members have and show?' }],
  keys: Object.keys(words) as (keyof ProfilesItem)[],
  ref: () => 'profiles',
  plan: ({ profiles }) => {
    if (!profiles) return []
    const { signatures } = profiles
    return [{ item: { ...flatKeys(profiles), ...(signatures !== undefined && { signatures: signatures !== false }) } }]
  },
  call: () => 'profiles',
  say: (key) => words[key],
  show: (_key, value) => yesOrNo(value),
}
