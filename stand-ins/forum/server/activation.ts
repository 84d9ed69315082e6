import { randomBytes } from 'node:crypto'
import { sendMail } from '../../common/server/mail.js'
import type { Account, Board } from './model.js'

/** What a new account waits for, by the rule for them: a key that has to be said back, somebody of the staff, or nothing. */
export const waitsFor = ({ settings }: Board): string | undefined =>
  settings.approval === 'email' ? randomBytes(12).toString('hex') : settings.approval === 'staff' ? 'staff' : undefined

/**
 * Writes to a new account's address, as far as there is a mail server: it is open when the link in that mail was opened.
 * @param home where the forum is found
 */
export async function sendKey(board: Board, account: Account, home: string, port?: number): Promise<void> {
  const { settings } = board
  const { email, username, waits } = account
  if (port === undefined || waits === undefined || waits === 'staff') return
  await sendMail(port, {
    to: email,
    subject: `[${settings.title}] Is this your address?`,
    text: `Somebody, you we hope, has made the account “${username}”.\nIf so, open this: ${home}activate/${waits}\n\n${settings.mailSignature}\n`,
    ...(settings.mailFrom && { from: `${settings.mailName} <${settings.mailFrom}>` }),
  })
}
