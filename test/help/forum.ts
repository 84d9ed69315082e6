import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { MailFolder, Secret, type RunOptions, type System } from 'unpack'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { standInForum, type StandInForum } from '../../stand-ins/forum/server/index.js'
import { standInMail } from '../../stand-ins/mail/server.js'
import { ownFolders } from './sites.js'

export interface RunningForum extends StandInForum {
  address: string
  options: RunOptions & Awaited<ReturnType<typeof ownFolders>> & { systems: readonly System[] }
  mails: MailFolder
}

/** A stand-in forum on a free port with a mail server beside it, and the host's login stored. */
export async function runningForum(
  root: string,
  opened: (one: { close(): Promise<void> }) => void,
  standing: 'fresh' | 'in-use' = 'fresh',
  base = '/',
): Promise<RunningForum> {
  const folder = join(root, randomUUID())
  const post = await standInMail(folder, 0)
  opened(post)
  const forum = standInForum({ standing, mail: post.port, base })
  opened(forum)
  const address = await forum.listen(0)
  const folders = await ownFolders(root)
  await folders.logins.put(address, 'boss', new Secret('harbour-light-41'), { temporary: true })
  const mails = new MailFolder(folder)
  const options = { systems: [standInForumSystem as System], ...folders, mailbox: mails }
  return Object.assign(forum, { address, options, mails })
}
