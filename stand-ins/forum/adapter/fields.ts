import { actions, levels } from 'unpack'

const words = (text: string): string[] => text.split(' ')

/** The fields of each form of the dashboard, by its room; those for single groups apart. */
export const fields: Readonly<Record<string, readonly string[]>> = {
  settings: words('title description language timezone searchEngines open notice'),
  mail: words('mailFrom mailName mailServer mailSignature'),
  joining: words('joinOpen approval question answers'),
  'signing-in': words('attempts lockMinutes staySignedIn'),
  posting: words('waitSeconds perHour postsPerPage topicsPerPage busyFrom polls pollChoices'),
  profiles: words(
    'privateMessages mailEachOther chooseTheme signatures signatureLength pictures pictureKilobytes picturePixels',
  ),
  profile: words('username shown email password'),
  groups: words('name description'),
  categories: words('title description'),
  forums: words('title description category locked removeOldAfter'),
  access: actions.flatMap((action) => levels.map((who) => `${action} ${who}`)),
  accounts: words('username email password'),
  order: words('order'),
}
export const perGroup: ReadonlySet<string> = new Set(['access', 'accounts'])
