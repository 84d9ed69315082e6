import type { Office } from '../../../common/server/office.js'
import { settingsForms, type SettingScreens } from '../../../common/server/settings-forms.js'
import { languages, type Board, type Settings } from '../model.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]

const screens: SettingScreens<Settings> = {
  settings: {
    title: 'Title',
    description: 'Description',
    language: 'Language',
    timezone: 'Time zone',
    searchEngines: 'Let search engines in',
    open: 'Open to visitors',
    notice: 'What they read while it is closed',
  },
  mail: {
    mailFrom: 'Sender’s address',
    mailName: 'Sender’s name',
    mailServer: 'Server',
    mailSignature: 'Under its mails',
  },
  joining: {
    joinOpen: 'Visitors may join',
    approval: 'A new account waits for',
    question: 'A question that is asked',
    answers: 'What is taken for an answer, a line each',
  },
  'signing-in': {
    attempts: 'Wrong passwords before a lock',
    lockMinutes: 'Minutes of a lock',
    staySignedIn: 'Members may stay signed in',
  },
  posting: {
    waitSeconds: 'Seconds between two posts',
    perHour: 'Posts in an hour',
    postsPerPage: 'Posts on a page',
    topicsPerPage: 'Topics on a page',
    busyFrom: 'Busy from this many replies',
    polls: 'Polls',
    pollChoices: 'Choices of a poll',
  },
  profiles: {
    privateMessages: 'Private messages',
    mailEachOther: 'Members may mail each other',
    chooseTheme: 'Members choose their theme',
    signatures: 'Signatures',
    signatureLength: 'Characters of a signature',
    pictures: 'Pictures of their own',
    pictureKilobytes: 'Kilobytes of a picture',
    picturePixels: 'Pixels of a picture',
  },
}
const choices = {
  language: languages,
  timezone: zones,
  approval: ['none', 'email', 'staff'],
} as const

/** The settings: a screen for each side of the forum. */
export const settings = (office: Office, board: Board): void => {
  settingsForms(office, board.settings, screens, choices)
}
