import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import PostalMime from 'postal-mime'
import type { Mailbox } from '../engine/options.js'

/** How long a mail that was announced is waited for, in milliseconds, and how often the folder is looked into meanwhile. */
const WAIT = { most: 10_000, between: 100 }

/**
 * A folder in which every mail is a file of its own (RFC 5322, `.eml`): what a mail server made for tests leaves, or a
 * folder of somebody's mail program.
 * @example await settle(baseline, { ...options, mailbox: new MailFolder('mails') })
 */
export class MailFolder implements Mailbox {
  constructor(readonly folder: string) {}

  async mailsTo(address: string, since: Date): Promise<string[]> {
    for (const end = Date.now() + WAIT.most; ;) {
      const found = await this.#mails(address, since)
      if (found.length > 0 || Date.now() > end) return found
      await wait(WAIT.between)
    }
  }

  async #mails(address: string, since: Date): Promise<string[]> {
    const files = readdirSync(this.folder)
      .filter((name) => name.endsWith('.eml'))
      .map((name) => join(this.folder, name))
      .map((file) => ({ file, at: statSync(file).mtimeMs }))
      // a file system may keep whole seconds
      .filter(({ at }) => at >= since.getTime() - 1000)
      .sort((a, b) => b.at - a.at)
    const mails = await Promise.all(files.map(({ file }) => PostalMime.parse(readFileSync(file))))
    return mails
      .filter(({ to = [] }) => to.some((one) => one.address?.toLowerCase() === address.toLowerCase()))
      .map(({ text = '', html = '' }) => `${text}\n${html}`)
  }
}
