import { z } from 'zod'
import type { Area } from '../area.js'
import { mail as mailAddress, mailServer } from '../baseline/values.js'
import { textOf } from '../value.js'

export const mailSchema = z.strictObject({
  from: mailAddress.optional().describe('The address that the site writes from'),
  name: z
    .string()
    .min(1)
    .optional()
    .describe('The name that it writes under')
    .meta({ examples: ['Tidepool Watchers'] }),
  server: mailServer.optional().describe('The server it sends through'),
  signature: z
    .string()
    .optional()
    .describe('What stands under its mails')
    .meta({ examples: ['See you at low water'] }),
})

export interface MailItem {
  from?: string
  name?: string
  server?: string
  signature?: string
}

const words: Record<keyof MailItem, string> = {
  from: 'sender’s address',
  name: 'sender’s name',
  server: 'mail server',
  signature: 'under its mails',
}
const cameOf = { arrived: 'it arrived', lost: 'it did not arrive', refused: 'the site could not send it' } as const
const plain = (value: unknown): string => String(value).toLowerCase().replace(/\/$/, '')

/** Its part of the baseline file. */
export const mailPart = {
  mail: mailSchema
    .optional()
    .describe('The mail that the site sends')
    .meta({ examples: [{ from: 'hello@tidepool.example', server: 'smtp://127.0.0.1:2525' }] }),
}

/** The mail that the site sends. */
export const mail: Area<'mail', MailItem, never, object> = {
  name: 'mail',
  title: 'mail settings',
  list: 'one',
  questions: [{ key: 'mail', ask: 'How does the site send mail?' }],
  keys: ['from', 'name', 'server', 'signature'],
  ref: () => 'mail',
  plan: ({ mail }) => (mail ? [{ item: mail }] : []),
  // the site writes to itself: nobody else is bothered
  tries: ({ mail: { from } = {} }) =>
    from === undefined
      ? []
      : [{ name: 'a mail that the site sends arrives', at: 'mail', should: 'arrived', words: cameOf, arrivesAt: from }],
  same: (key, wanted, found) =>
    key === 'from' || key === 'server' ? plain(textOf(wanted)) === plain(textOf(found)) : wanted === found,
  call: () => 'mail',
  say: (key) => words[key],
}
