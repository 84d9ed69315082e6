import { join } from 'node:path'
import { standInForum } from '../../../../stand-ins/forum/server/index.js'
import { standInMail } from '../../../../stand-ins/mail/server.js'
import { Secret } from '../../../core/secret.js'
import { MailFolder } from '../../../mail/folder.js'
import { Stage } from './stage.js'

/** What the host of this demo has made, and written to the owner. */
const HOSTS = { username: 'boss', password: 'harbour-light-41' }

/** The forum of the Tidepool Watchers: a host has installed it, with a login of its own. */
export async function forum(keep: boolean, folder: string): Promise<{ address: string; close(): Promise<unknown> }> {
  const mails = join(folder, 'mails')
  const post = await standInMail(mails, 0)
  const host = standInForum({ owner: HOSTS, mail: post.port })
  const address = await host.listen(4102).catch(() => host.listen(0))
  const stage = await Stage.open('tidepool-watchers', address, keep, folder)
  await stage.options.logins.put(address, HOSTS.username, new Secret(HOSTS.password), { temporary: true })
  await stage.survey('The host has put a forum there, and has written to its owner with a login')
  await stage.play(
    // the members' own mail: links that the forum sends them are opened
    { mailbox: new MailFolder(mails) },
    'Compare: the baseline and what stands there',
    'Confirm: as a visitor, as members, and as the owner',
    [
      'npx unpack demo forum --keep, then look around on the site',
      'npx unpack confirm with that baseline and --try: everybody writes where they may, and where they may not',
      'npx unpack stand-in forum, and in a second terminal: npx unpack compare with a forum of your own planning',
    ],
  )
  return { address, close: () => Promise.all([host.close(), post.close()]) }
}
