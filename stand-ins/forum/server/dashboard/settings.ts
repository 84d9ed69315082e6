import type { Field } from '../../../common/server/html.js'
import type { Office } from '../../../common/server/office.js'
import { languages, type Board, type Settings } from '../model.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]

/** The screens of settings: which of them each has, and what they are called there. */
const screens: Record<string, { [K in keyof Settings]?: string }> = {
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
const choices: { [K in keyof Settings]?: readonly string[] } = {
  language: languages,
  timezone: zones,
  approval: ['none', 'email', 'staff'],
}

function fieldOf(name: keyof Settings, label: string, now: Settings[keyof Settings]): Field {
  if (typeof now === 'boolean') return { name, label, value: now ? '1' : '', kind: 'box' }
  if (Array.isArray(now)) return { name, label, value: now.join('\n'), kind: 'long' }
  return { name, label, value: String(now), choices: choices[name] }
}

/** A value as a form sends it, in the kind that the setting has; what a menu does not hold is passed over. */
function taken(
  name: keyof Settings,
  sent: string | undefined,
  now: Settings[keyof Settings],
): Settings[keyof Settings] {
  if (typeof now === 'boolean') return sent === '1'
  if (Array.isArray(now)) return (sent ?? '').split(/\r?\n/).filter((line) => line.trim() !== '')
  if (typeof now === 'number') return /^\d+$/.test(sent ?? '') ? Number(sent) : now
  const known = choices[name]
  return known && !known.includes(sent ?? '') ? now : (sent ?? '')
}

/** The settings: a screen for each side of the forum, whose form is taken as it comes. */
export function settings(office: Office, board: Board): void {
  for (const [room, labels] of Object.entries(screens)) {
    const names = Object.keys(labels) as (keyof Settings)[]
    office.get(`/${room}`, (request, reply) =>
      office.screen(
        reply,
        room,
        office.editor(
          request,
          `/${room}`,
          names.map((name) => fieldOf(name, labels[name] ?? name, board.settings[name])),
        ),
      ),
    )
    office.post(`/${room}`, `/${room}`, (body) => {
      const next = Object.fromEntries(names.map((name) => [name, taken(name, body[name], board.settings[name])]))
      Object.assign(board.settings, next)
      return undefined
    })
  }
}
