const words = (text: string): string[] => text.split(' ')

/** The fields of each form of the dashboard, by its room; those for single groups apart. */
export const fields: Readonly<Record<string, readonly string[]>> = {
  settings: words('title description language timezone date time weekStarts searchEngines icon logo'),
  front: words('frontPage frontText'),
  mail: words('mailFrom mailName mailServer'),
  visitors: words('commentsAllowed approve joinOpen joinWaits'),
  pages: words('title slug summary body tags parent order hidden inherit formerly'),
  news: words('title slug summary body tags date open'),
  events: words('title slug summary body tags start end place'),
  sharing: ['read members', 'write members', 'edit members'],
  uploads: ['read members'],
  menu: words('lines'),
  columns: words('lines text1 text2 text3'),
  groups: words('name description'),
  accounts: words('username shown email password manages waits'),
  profile: words('first last shown email password'),
}
export const perGroup: ReadonlySet<string> = new Set(['sharing', 'uploads', 'accounts'])
