import { addressText } from '../core/address.js'
import type { Run } from './run.js'

/**
 * Follows a mail that the site has sent: the link in it that leads to the site is opened, as its reader would.
 * @param to whom the site wrote to
 * @param since when it was asked to
 * @returns what is left to do by hand; undefined where the link was opened
 */
export async function answerMail(run: Run, to: string, since: Date): Promise<string | undefined> {
  const { mailbox } = run.options
  const byHand = `the site has sent a mail to ${to}, and counts on it when the link in it was opened: open it, and run again`
  if (!mailbox) return `${byHand}; --mail-folder FOLDER lets Unpack do that`
  const mails = await mailbox.mailsTo(to, since)
  const home = addressText(run.site.address)
  const links = mails
    .flatMap((text) => text.match(/https?:\/\/[^\s"'<>)]+/g) ?? [])
    .map((link) => link.replaceAll('&amp;', '&'))
  // the mail tells more than one address at times: the longest below the site's own is the one with the key
  const [link] = links.filter((one) => one.startsWith(home)).sort((a, b) => b.length - a.length)
  if (link === undefined)
    return mails.length === 0 ? `${byHand}; it did not arrive` : `${byHand}; no link in it leads there`
  const answer = await run.site.visitor().get(link, { purpose: 'write' })
  return answer.status < 400 ? undefined : `${byHand}; its link answers HTTP ${answer.status}`
}
