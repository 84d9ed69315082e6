import { sendMail } from '../../../common/server/mail.js'
import type { Office } from '../../../common/server/office.js'
import { settingsForms, type SettingScreens } from '../../../common/server/settings-forms.js'
import { languages, pagesBelow, weekdays, type ContentSite, type Settings } from '../model.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]
const screens: SettingScreens<Settings> = {
  settings: {
    title: 'Title',
    description: 'Description',
    language: 'Language',
    timezone: 'Time zone',
    date: 'Dates, as a pattern',
    time: 'Times, as a pattern',
    weekStarts: 'Weeks start on',
    searchEngines: 'Let search engines in',
    icon: 'Icon',
    logo: 'Logo',
  },
  front: { frontPage: 'The page in front, by its number', frontText: 'The text in front, where no page is' },
  mail: { mailFrom: 'Sender’s address', mailName: 'Sender’s name', mailServer: 'Server' },
  visitors: {
    commentsAllowed: 'Visitors may comment on new posts',
    approve: 'Whose comments wait',
    joinOpen: 'Visitors may make an account',
    joinWaits: 'A new account waits for',
  },
}

/** What the site is called and how it writes dates, its front, its mail, and what visitors may do. */
export function settings(office: Office, site: ContentSite): void {
  const pictures = () => ['0', ...site.uploads.map(({ id }) => String(id))]
  const choices = {
    ...{ language: languages, timezone: zones, weekStarts: weekdays },
    ...{ approve: ['all', 'none'], joinWaits: ['none', 'staff'], icon: pictures, logo: pictures },
    frontPage: () => ['0', ...pagesBelow(site, 0).map(({ id }) => String(id))],
  }
  const text = { name: 'text', label: 'A message to ourselves', value: '' }
  settingsForms(office, site.settings, screens, choices, ['frontText'], (room, request) =>
    room === 'mail' ? office.button(request, '/mail/test', 'test', 'Send it', [text]) : '',
  )
  office.post('/mail/test', '/mail', async ({ text: said = '' }) => {
    const { mailFrom, mailServer } = site.settings
    if (mailFrom === '' || !URL.canParse(mailServer)) return 'There is no address to write from, or no server.'
    const mail = { to: mailFrom, from: mailFrom, subject: `[${site.settings.title}] A message`, text: said }
    return sendMail(Number(new URL(mailServer).port) || 25, mail).then(
      () => undefined,
      (error: unknown) => (error instanceof Error ? error.message : 'It did not go.'),
    )
  })
}
